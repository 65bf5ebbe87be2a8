/* Changes of inputs as they come: done at once, or when what waits before them is decided. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static void do_press(uint8_t is_over) {
  uint8_t input = ov_waiting_input(0);
  uint8_t together = ov_together_of_oldest(is_over);
  uint8_t layer, job;
  uint32_t action;
  if (together == OV_UNDECIDED) return;
  if (together != OV_NONE) {
    ov_waiting_drop(ov_together_size((uint8_t)(together - ov_first_together())));
    ov_together_do(together);
    return;
  }
  layer = ov_layer_for(input);
  action = ov_action(layer, input);
  if (!ov_action_waits(action)) {
    ov_waiting_drop(1);
    ov_press_at_once(input, layer, action);
    return;
  }
  job = ov_job_of_oldest(layer, action, is_over);
  if (job == OV_UNDECIDED) return;
  ov_waiting_drop(ov_job_changes(action, job));
  ov_press_do(input, (uint8_t)(layer | (job << OV_JOB_SHIFT)));
}

static void do_oldest(uint8_t is_over) {
  uint8_t input = ov_waiting_input(0);
  if (ov_waiting_pressed(0)) {
    do_press(is_over);
    return;
  }
  ov_waiting_drop(1);
  ov_input_do(input, 0);
}

OV_APART static void wait(uint8_t input, uint8_t pressed) {
  if (ov_waiting_count() == ov_waiting_most()) do_oldest(1);
  ov_waiting_add(input, pressed);
  /* What nothing waits before is decided at once, if it can be. */
  if (ov_waiting_count() == 1) do_oldest(0);
}

/* A press that nothing waits before, and that tells by itself what it does; most are such. */
static uint8_t press_at_once(uint8_t input) {
  uint8_t layer;
  uint32_t action;
  if (ov_together_may_be(input)) return 0;
  layer = ov_layer_for(input);
  action = ov_action(layer, input);
  if (ov_action_waits(action)) return 0;
  ov_press_at_once(input, layer, action);
  ov_waiting_note(input);
  return 1;
}

void ov_input_changed(uint8_t input, uint8_t pressed) {
  if (ov_is_far) return;
  if (ov_waiting_most() == 0) ov_input_do(input, pressed);
  else if (ov_waiting_count() > 0) wait(input, pressed);
  else if (!pressed) ov_input_do(input, 0);
  else if (!press_at_once(input)) wait(input, 1);
}

/* One change a scan, each after the host has taken what was told before: so each is a report of its own. */
void ov_waiting_play(void) {
  if (ov_waiting_count() > 0 && !ov_reports_waiting()) do_oldest(0);
}
