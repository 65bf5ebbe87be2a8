/* Which inputs are held, and on which layer each was pressed: its release undoes what that press did. */
#include "ovrin.h"
#include "parts.h"

static uint8_t *pressed_on;

void ov_held_init(void) {
  uint8_t inputs = ov_input_count();
  uint8_t i;
  pressed_on = ov_arena_take(inputs);
  for (i = 0; i < inputs; i++) pressed_on[i] = OV_NONE;
}

uint8_t ov_held_on(uint8_t input) { return pressed_on[input]; }
void ov_held_set(uint8_t input, uint8_t layer) { pressed_on[input] = layer; }
