/* A change counts once it has lasted: every scan for the debounce time must have seen it.
 * Deferred rather than eager, so that a spike on a long wire never becomes a keystroke. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t closed_bits[OV_MAX_SWITCHES / 8];
static uint8_t seen_ms[OV_MAX_SWITCHES];
static uint8_t busy; /* switches whose change has not lasted long enough yet */

void ov_debounce_init(void) {
  uint8_t i;
  for (i = 0; i < OV_MAX_SWITCHES / 8; i++) closed_bits[i] = 0;
  for (i = 0; i < OV_MAX_SWITCHES; i++) seen_ms[i] = 0;
  busy = 0;
}

uint8_t ov_debounce_busy(void) { return busy; }

uint8_t ov_switch_closed(uint8_t sw) { return (uint8_t)((closed_bits[sw >> 3] >> (sw & 7u)) & 1u); }

static void forget(uint8_t sw) {
  if (seen_ms[sw] == 0) return;
  seen_ms[sw] = 0;
  busy--;
}

void ov_debounce(uint8_t sw, uint8_t closed) {
  if (closed == ov_switch_closed(sw)) {
    forget(sw);
    return;
  }
  if (seen_ms[sw] < ov_table_byte(OV_AT_DEBOUNCE_MS)) {
    if (seen_ms[sw]++ == 0) busy++;
    return;
  }
  forget(sw);
  closed_bits[sw >> 3] = (uint8_t)(closed_bits[sw >> 3] ^ (1u << (sw & 7u)));
  ov_input_changed(sw, closed);
}
