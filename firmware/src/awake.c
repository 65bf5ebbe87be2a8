/* Keeping the computer awake: while it is on, the pointer moves one count to the right now and then, and back again. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_POINTER

#define SECOND_MS 1000u

static uint8_t switched_on;
static uint8_t holders;  /* inputs that keep it on while they are held */
static uint16_t every_s; /* of the press that came last */
static uint16_t left_s, left_ms;
static uint8_t goes_back; /* it has moved, and has to go back */

void ov_awake_init(void) { switched_on = holders = goes_back = 0; }

uint8_t ov_awake_is_on(void) { return (uint8_t)(switched_on || holders > 0); }

static void wait(void) {
  left_s = (uint16_t)(every_s - 1u);
  left_ms = SECOND_MS;
}

void ov_awake_pressed(uint32_t action) {
  uint8_t was_on = ov_awake_is_on();
  if (ov_action_modifiers(action) == OV_AWAKE_HELD) holders++;
  else switched_on = !switched_on;
  every_s = ov_action_value(action);
  if (was_on) return;
  wait();
  left_ms++; /* no time has passed yet in the scan of its press */
}

void ov_awake_released(uint32_t action) {
  if (ov_action_modifiers(action) == OV_AWAKE_HELD) holders--;
}

OV_RARELY static void pass(uint8_t elapsed_ms) {
  if (every_s == 0) return;
  if (left_ms > elapsed_ms) {
    left_ms = (uint16_t)(left_ms - elapsed_ms);
    return;
  }
  left_ms = (uint16_t)(left_ms + SECOND_MS - elapsed_ms);
  if (left_s-- > 0) return;
  wait();
  goes_back = 1;
  ov_pointer_add(OV_POINTER_X, 1);
}

void ov_awake_play(uint8_t elapsed_ms) {
  /* It goes back in a report of its own. */
  if (goes_back) {
    if (ov_reports_waiting()) return;
    goes_back = 0;
    ov_pointer_add(OV_POINTER_X, -1);
  }
  if (ov_awake_is_on()) pass(elapsed_ms);
}

#endif
