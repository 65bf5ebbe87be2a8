/* Live changes are unlocked on the device itself: two of its switches, held together for a while. So nobody who only has
 * the computer can change what the keys do. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define UNLOCK_MS (OV_UNLOCK_TENTHS * 100u)
#define OPEN_MS (OV_OPEN_SECONDS * 1000ul)

static uint8_t first, second;
static uint16_t held_ms;
static uint32_t open_ms;

void ov_unlock_init(void) {
  first = ov_table_byte(OV_AT_UNLOCK_FIRST);
  second = ov_table_byte(OV_AT_UNLOCK_SECOND);
  held_ms = 0;
  open_ms = 0;
}

static uint8_t both_closed(void) {
  return (uint8_t)(first != OV_NONE && second != OV_NONE && ov_switch_closed(first) && ov_switch_closed(second));
}

void ov_unlock_pass(uint8_t elapsed_ms) {
  open_ms = open_ms > elapsed_ms ? open_ms - elapsed_ms : 0;
  held_ms = both_closed() ? (uint16_t)(held_ms + elapsed_ms) : 0;
  if (held_ms < UNLOCK_MS) return;
  held_ms = UNLOCK_MS;
  ov_unlock_use();
}

void ov_unlock_use(void) { open_ms = OPEN_MS; }

uint8_t ov_unlock_seconds(void) { return (uint8_t)((open_ms + 999u) / 1000u); }
