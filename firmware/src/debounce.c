/* A change counts once it has lasted: every scan for the debounce time must have seen it.
 * Deferred rather than eager, so that a spike on a long wire never becomes a keystroke. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define CLOSED 0x80 /* the debounced state; the bits below count the ms for which the contact has differed from it */

static uint8_t state_of[OV_MAX_SWITCHES];
static uint8_t busy; /* switches whose change has not lasted long enough yet */
static uint8_t debounce_ms;

void ov_debounce_init(void) {
  uint8_t i;
  for (i = 0; i < OV_MAX_SWITCHES; i++) state_of[i] = 0;
  busy = 0;
  debounce_ms = ov_table_byte(OV_AT_DEBOUNCE_MS);
}

uint8_t ov_debounce_busy(void) { return busy; }

uint8_t ov_switch_closed(uint8_t sw) { return (uint8_t)((state_of[sw] & CLOSED) != 0); }

void ov_debounce(uint8_t sw, uint8_t closed) {
  uint8_t state = state_of[sw];
  uint8_t settled = (uint8_t)(state & CLOSED);
  uint8_t waited = (uint8_t)(state & (uint8_t)~CLOSED);
  if ((settled != 0) == (closed != 0)) {
    if (waited == 0) return;
    busy--;
    state_of[sw] = settled;
  } else if (waited < debounce_ms) {
    if (waited == 0) busy++;
    state_of[sw] = (uint8_t)(state + 1);
  } else {
    if (waited > 0) busy--;
    state_of[sw] = (uint8_t)(settled ^ CLOSED);
    ov_input_changed(sw, closed);
  }
}
