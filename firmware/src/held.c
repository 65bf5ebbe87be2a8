/* Which inputs are held, and on which layer each was pressed: its release undoes what that press did. */
#include "ovrin.h"
#include "parts.h"

static uint8_t *pressed_on;
static uint8_t held; /* inputs that are */

void ov_held_init(void) {
  uint8_t inputs = ov_input_count();
  uint8_t i;
  held = 0;
  pressed_on = ov_arena_take(inputs);
  for (i = 0; i < inputs; i++) pressed_on[i] = OV_NONE;
}

const uint8_t *ov_held_layers(void) { return pressed_on; }

uint8_t ov_held_on(uint8_t input) { return pressed_on[input]; }
uint8_t ov_held_count(void) { return held; }

void ov_held_set(uint8_t input, uint8_t layer) {
  held = (uint8_t)(held + (layer != OV_NONE) - (pressed_on[input] != OV_NONE));
  pressed_on[input] = layer;
}
