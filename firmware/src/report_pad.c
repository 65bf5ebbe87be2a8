/* The game pad's report: buttons in their order, a bit each; its hat; and axes, of as many bits as the tables say. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_PAD

#define PLACE_BITS 12u

static uint8_t *held_of; /* inputs that hold each button */
static uint8_t hat[4];   /* and each side of the hat */

void ov_pad_init(void) {
  uint8_t i;
  held_of = ov_arena_take(ov_table_byte(OV_AT_PAD_BUTTONS));
  for (i = 0; i < 4; i++) hat[i] = 0;
}

static void count(uint8_t *held, uint8_t pressed) {
  *held = (uint8_t)(pressed ? *held + 1u : *held - 1u);
  ov_reports_changed();
}

void ov_pad_button(uint8_t button, uint8_t pressed) {
  if (button < ov_table_byte(OV_AT_PAD_BUTTONS)) count(held_of + button, pressed);
}

void ov_pad_hat(uint8_t direction, uint8_t pressed) { count(hat + (direction & 3u), pressed); }

uint8_t ov_pad_length(void) {
  uint8_t axes = ov_table_byte(OV_AT_PAD_AXES);
  if (ov_table_byte(OV_AT_PAD_AXIS_BITS) > 8) axes = (uint8_t)(2u * axes);
  return (uint8_t)(((ov_table_byte(OV_AT_PAD_BUTTONS) + 7u) >> 3) + ov_table_byte(OV_AT_PAD_HAT) + axes);
}

/* Clockwise from up; opposite sides cancel. */
static uint8_t hat_value(void) {
  static const uint8_t values[9] OV_IN_FLASH = {7, 0, 1, 6, OV_HAT_NONE, 2, 5, 4, 3};
  int8_t right = (int8_t)((hat[OV_DIRECTION_RIGHT] > 0) - (hat[OV_DIRECTION_LEFT] > 0));
  int8_t down = (int8_t)((hat[OV_DIRECTION_DOWN] > 0) - (hat[OV_DIRECTION_UP] > 0));
  return ov_flash_byte(values + (uint8_t)(3 * (down + 1) + right + 1));
}

/* A place with more or fewer bits, so that the farthest stays the farthest and none is left out that there could be. */
static uint16_t scaled(uint16_t place, uint8_t bits) {
  if (bits <= PLACE_BITS) return (uint16_t)(place >> (PLACE_BITS - bits));
  return (uint16_t)((uint16_t)(place << (bits - PLACE_BITS)) | (uint16_t)(place >> (2u * PLACE_BITS - bits)));
}

static uint16_t axis_value(int32_t sum, uint8_t both_sides, uint8_t bits) {
  uint8_t is_back = (uint8_t)(sum < 0);
  uint16_t value;
  if (!both_sides && is_back) return 0;
  if (is_back) sum = -sum;
  if (sum > OV_AXIS_MOST) sum = OV_AXIS_MOST;
  value = scaled((uint16_t)sum, (uint8_t)(bits - both_sides));
  return is_back ? (uint16_t)(0u - value) : value;
}

void ov_pad_build(uint8_t *bytes) {
  uint8_t buttons = ov_table_byte(OV_AT_PAD_BUTTONS);
  uint8_t axes = ov_table_byte(OV_AT_PAD_AXES), bits = ov_table_byte(OV_AT_PAD_AXIS_BITS);
  uint8_t both_sides = ov_table_byte(OV_AT_PAD_BOTH_SIDES);
  int32_t sums[OV_MOST_PAD_AXES];
  uint8_t i;
  for (i = 0; i < buttons; i++) {
    if ((i & 7u) == 0) bytes[i >> 3] = 0;
    if (held_of[i] > 0) bytes[i >> 3] |= ov_flash_byte(ov_bits + (i & 7u));
  }
  bytes += (uint8_t)((buttons + 7u) >> 3);
  if (ov_table_byte(OV_AT_PAD_HAT)) *bytes++ = hat_value();
  if (axes == 0) return;
  for (i = 0; i < axes; i++) sums[i] = 0;
  ov_axes_add(sums);
  for (i = 0; i < axes; i++, both_sides >>= 1) {
    uint16_t value = axis_value(sums[i], both_sides & 1u, bits);
    *bytes++ = (uint8_t)value;
    if (bits > 8) *bytes++ = (uint8_t)(value >> 8);
  }
}

#endif
