/* Switches that stay where they are put tell their change: each flip is a pulse of what they are bound to. Seven of them left
 * on would otherwise fill the keyboard's report for good. A layer is held for as long as its switch is on. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t pulser_of(uint8_t sw) {
  return ov_table_byte((uint16_t)(ov_table_word(OV_AT_SWITCH_TABLE) + OV_SWITCH_BYTES * sw + 1));
}

static uint8_t tells_report(uint8_t sw) {
  uint8_t layer = ov_layer_for(sw);
  uint32_t action = ov_action(layer, sw);
  /* Nobody waits for the end of a flip: of two jobs it does the first. */
  if (ov_action_waits(action)) action = ov_job_action(layer, sw, OV_JOB_FIRST);
  return ov_action_reports(action);
}

void ov_switch_flipped(uint8_t sw, uint8_t closed) {
  uint8_t pulser = pulser_of(sw);
  uint8_t idle = ov_pulse_idle(pulser);
  uint8_t holds = (uint8_t)(idle && (closed ? !tells_report(sw) : ov_held_on(sw) != OV_NONE));
  if (holds) ov_input_changed(sw, closed);
  if (!holds || (!closed && ov_pulse_has_back(pulser))) ov_pulse_flip(pulser, sw, !closed);
}

void ov_switch_found_closed(uint8_t sw) {
  if (!tells_report(sw)) ov_input_changed(sw, 1);
}
