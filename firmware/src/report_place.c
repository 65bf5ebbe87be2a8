/* Where on the screen the pointer is put: across and down, told each time that a key puts it somewhere or that an axis which says where it is
 * has moved. A host that was told nothing leaves its pointer where it is, so nothing is told at the start. The byte in front is for a
 * button that is never down: hosts take nothing without one for a pointer. Buttons are told by the report of movements. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_PLACE

static uint16_t places[2];
static uint8_t waits; /* it was put somewhere, and the host does not know */

void ov_place_forget(void) { waits = 0; }

void ov_place_init(void) {
  places[0] = places[1] = OV_PLACE_MOST / 2u;
  ov_place_forget();
}

void ov_place_put(uint8_t axis, uint16_t place, uint8_t tells) {
  places[axis & 1u] = place;
  if (!tells) return;
  waits = 1;
  ov_reports_changed();
}

/* Twelve bits become fifteen without gaps at either end. */
static uint16_t widened(uint16_t steps) {
  steps &= OV_PLACE_STEPS;
  return (uint16_t)((uint16_t)(steps << 3) | steps >> 9);
}

void ov_place_point(uint32_t action) {
  uint16_t value = ov_action_value(action);
  ov_place_put(0, widened(value), 1);
  ov_place_put(1, widened((uint16_t)(value >> 12 | (uint16_t)(ov_action_modifiers(action) << 4))), 1);
}

uint8_t ov_place_build(uint8_t *bytes) {
  bytes[0] = 0;
  bytes[1] = (uint8_t)places[0];
  bytes[2] = (uint8_t)(places[0] >> 8);
  bytes[3] = (uint8_t)places[1];
  bytes[4] = (uint8_t)(places[1] >> 8);
  return waits;
}

#endif
