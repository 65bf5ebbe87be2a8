/* The system control's report: a bit each for power down, sleep and wake up. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t held[OV_SYSTEM_USAGES]; /* inputs that hold each */

void ov_system_init(void) {
  uint8_t i;
  for (i = 0; i < OV_SYSTEM_USAGES; i++) held[i] = 0;
}

void ov_system_changed(uint8_t usage, uint8_t pressed) {
  held[usage] = (uint8_t)(pressed ? held[usage] + 1u : held[usage] - 1u);
  ov_reports_changed();
}

void ov_system_build(uint8_t *bytes) {
  uint8_t i;
  bytes[0] = 0;
  for (i = 0; i < OV_SYSTEM_USAGES; i++) {
    if (held[i] > 0) bytes[0] = (uint8_t)(bytes[0] | (1u << i));
  }
}
