/* Which inputs are held, and what each of them does: its release undoes what its own press did. */
#include "ovrin.h"
#include "parts.h"

uint8_t *ov_pressed_on;
uint8_t ov_held; /* inputs that are */
uint8_t ov_cares;

void ov_held_init(void) {
  uint8_t inputs = ov_input_count();
  uint8_t i;
  ov_held = 0;
  ov_cares = 0;
  ov_pressed_on = ov_arena_take(inputs);
  for (i = 0; i < inputs; i++) ov_pressed_on[i] = OV_NONE;
}

uint32_t ov_held_job(uint8_t on, uint8_t input) {
  return ov_job_action(on & OV_ON_LAYER, input, (uint8_t)((on & OV_ON_JOB) >> OV_JOB_SHIFT));
}
