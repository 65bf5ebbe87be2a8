/* The pointer's report: buttons, then how far it moved right and down and its wheel turned up and to the right since the last
 * report that the host took. What the host does not take adds up to one report's worth; the rest is lost, so that a
 * pointer never goes on by itself after its key was let go. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_POINTER

#define AXES (OV_POINTER_BYTES - 1)
#define MOST 127

static uint8_t held[OV_POINTER_BUTTONS]; /* inputs that hold each button */
static int8_t moved[AXES];
static uint8_t told; /* the buttons that the host knows of */

void ov_pointer_forget(void) {
  uint8_t i;
  for (i = 0; i < AXES; i++) moved[i] = 0;
  told = 0;
}

void ov_pointer_init(void) {
  uint8_t i;
  for (i = 0; i < OV_POINTER_BUTTONS; i++) held[i] = 0;
  ov_pointer_forget();
}

void ov_pointer_button(uint8_t button, uint8_t pressed) {
  held[button] = (uint8_t)(pressed ? held[button] + 1u : held[button] - 1u);
  ov_reports_changed();
}

void ov_pointer_add(uint8_t axis, int8_t counts) {
  int16_t sum = (int16_t)(moved[axis] + counts);
  if (counts == 0) return;
  if (sum > MOST) sum = MOST;
  if (sum < -MOST) sum = -MOST;
  moved[axis] = (int8_t)sum;
  ov_reports_changed();
}

uint8_t ov_pointer_build(uint8_t *bytes) {
  uint8_t has_moved = 0;
  uint8_t i;
  bytes[0] = 0;
  for (i = 0; i < OV_POINTER_BUTTONS; i++) {
    if (held[i] > 0) bytes[0] = (uint8_t)(bytes[0] | (1u << i));
  }
  for (i = 0; i < AXES; i++) {
    bytes[i + 1] = (uint8_t)moved[i];
    has_moved = (uint8_t)(has_moved | bytes[i + 1]);
  }
  return (uint8_t)(has_moved != 0 || bytes[0] != told);
}

void ov_pointer_taken(void) {
  uint8_t bytes[OV_POINTER_BYTES];
  (void)ov_pointer_build(bytes);
  ov_pointer_forget();
  told = bytes[0];
}

#endif
