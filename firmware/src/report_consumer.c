/* The consumer control's report: one 16-bit usage, of the input pressed last among those still held. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define DEPTH 4 /* held inputs that are remembered: as many as fingers of a hand on such keys */

static uint8_t held_inputs[DEPTH]; /* newest first */

void ov_consumer_init(void) {
  uint8_t i;
  for (i = 0; i < DEPTH; i++) held_inputs[i] = OV_NONE;
}

void ov_consumer_pressed(uint8_t input) {
  uint8_t i;
  for (i = DEPTH - 1; i > 0; i--) held_inputs[i] = held_inputs[i - 1];
  held_inputs[0] = input;
}

void ov_consumer_released(uint8_t input) {
  uint8_t from;
  uint8_t to = 0;
  for (from = 0; from < DEPTH; from++) {
    if (held_inputs[from] != input) held_inputs[to++] = held_inputs[from];
  }
  while (to < DEPTH) held_inputs[to++] = OV_NONE;
}

void ov_consumer_build(uint8_t *report) {
  uint8_t input = held_inputs[0];
  uint16_t usage = 0;
  if (ov_macro_usage != 0) usage = ov_macro_usage;
  else if (input != OV_NONE) usage = ov_action_value(ov_held_action(ov_held_on(input), input));
  report[0] = (uint8_t)(usage & 0xFFu);
  report[1] = (uint8_t)(usage >> 8);
}
