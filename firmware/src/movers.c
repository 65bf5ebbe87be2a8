/* Inputs that move the pointer or turn its wheel. A press moves one count at once, so that a tap is the smallest movement there
 * is; then its speed grows evenly up to its top. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_POINTER

#define FRESH 0xFFFFu /* pressed in this scan: no time has passed since */

static uint16_t *held_ms;    /* of each: how long it is held, or how long ago its wheel stepped */
static uint16_t *speed_of;   /* top speed, in counts a ms << OV_POINTER_FRACTION_BITS; of a wheel, ms from step to step */
static uint8_t *input_of;
static uint8_t *how_of;      /* the modifiers of its action, and whether it is a wheel */
static uint8_t count;
static int16_t fraction[2];  /* of counts, right and down */

void ov_movers_times_init(void) {
  uint8_t most = ov_report_declared(OV_REPORT_POINTER) ? OV_MOST_MOVERS : 0;
  held_ms = (uint16_t *)(void *)ov_arena_take((uint16_t)(most * 2u));
  speed_of = (uint16_t *)(void *)ov_arena_take((uint16_t)(most * 2u));
}

void ov_movers_init(void) {
  uint8_t most = ov_report_declared(OV_REPORT_POINTER) ? OV_MOST_MOVERS : 0;
  input_of = ov_arena_take(most);
  how_of = ov_arena_take(most);
  count = 0;
  fraction[0] = fraction[1] = 0;
}

/* One count in its direction. */
static void step(uint8_t how) {
  uint8_t direction = how & OV_POINTER_DIRECTION;
  int8_t one = direction & 1u ? -1 : 1;
  if (!(how & OV_POINTER_WHEEL)) ov_pointer_add(direction >> 1, one);
  else if (direction < OV_DIRECTION_DOWN) ov_pointer_add(OV_POINTER_WHEEL_RIGHT, one);
  else ov_pointer_add(OV_POINTER_WHEEL_UP, (int8_t)-one);
}

void ov_mover_pressed(uint8_t input, uint32_t action) {
  uint8_t how = ov_action_modifiers(action);
  if (!ov_report_declared(OV_REPORT_POINTER)) return;
  if (ov_action_kind(action) == OV_DO_POINTER_WHEEL) how |= OV_POINTER_WHEEL;
  else how = (uint8_t)(how & ~OV_POINTER_WHEEL);
  step(how);
  if (count == OV_MOST_MOVERS) return;
  held_ms[count] = FRESH;
  speed_of[count] = ov_action_value(action);
  input_of[count] = input;
  how_of[count++] = how;
}

void ov_mover_released(uint8_t input) {
  uint8_t i;
  for (i = 0; i < count && input_of[i] != input; i++) {}
  if (i == count) return;
  count--;
  for (; i < count; i++) {
    held_ms[i] = held_ms[i + 1];
    speed_of[i] = speed_of[i + 1];
    input_of[i] = input_of[i + 1];
    how_of[i] = how_of[i + 1];
  }
}

OV_RARELY static void move(uint8_t nth, uint8_t elapsed_ms) {
  uint8_t how = how_of[nth];
  uint8_t axis = (uint8_t)((how & OV_POINTER_DIRECTION) >> 1);
  uint8_t ramp = how >> OV_POINTER_RAMP_SHIFT;
  uint32_t speed = speed_of[nth];
  int32_t sum = fraction[axis];
  uint16_t held = held_ms[nth];
  int16_t counts;
  if (ramp > 0 && held < (uint16_t)(1u << ramp)) {
    held = (uint16_t)(held + elapsed_ms);
    if (held > (uint16_t)(1u << ramp)) held = (uint16_t)(1u << ramp);
    held_ms[nth] = held;
    speed = (speed * held) >> ramp;
  }
  speed = speed * elapsed_ms;
  sum = how & 1u ? sum - (int32_t)speed : sum + (int32_t)speed;
  counts = (int16_t)(sum < 0 ? -(-sum >> OV_POINTER_FRACTION_BITS) : sum >> OV_POINTER_FRACTION_BITS);
  fraction[axis] = (int16_t)(sum - ((int32_t)counts << OV_POINTER_FRACTION_BITS));
  ov_pointer_add(axis, (int8_t)(counts > 127 ? 127 : counts < -127 ? -127 : counts));
}

OV_RARELY static void turn(uint8_t nth, uint8_t elapsed_ms) {
  if (speed_of[nth] == 0) return;
  held_ms[nth] = (uint16_t)(held_ms[nth] + elapsed_ms);
  while (held_ms[nth] >= speed_of[nth]) {
    held_ms[nth] = (uint16_t)(held_ms[nth] - speed_of[nth]);
    step(how_of[nth]);
  }
}

void ov_movers_play(uint8_t elapsed_ms) {
  uint8_t i;
  for (i = 0; i < count; i++) {
    if (held_ms[i] == FRESH) held_ms[i] = 0;
    else if (how_of[i] & OV_POINTER_WHEEL) turn(i, elapsed_ms);
    else move(i, elapsed_ms);
  }
}

#endif
