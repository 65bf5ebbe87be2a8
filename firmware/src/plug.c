/* A serial pad port: at the latch all buttons are taken as they stand, and then shifted out bit by bit; pressed is low. The scan keeps the
 * bits ready, twice, so that an interrupt of the port never finds them half written. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_PLUG

#define PLUG_BYTES (OV_PLUG_BITS / 8u)

uint8_t ov_plug_is_changed;

static uint8_t ready_bits[2][PLUG_BYTES];
static volatile uint8_t ready; /* which of both is whole */
static uint8_t shifted[PLUG_BYTES];
static uint8_t bits, at, after;

static uint8_t is_high(uint16_t entry) {
  uint8_t sw = ov_table_byte(entry);
  if (sw == OV_NONE) return 1;
  return (uint8_t)(sw != OV_PLUG_LOW && !ov_switch_closed(sw));
}

static void make_ready(void) {
  uint16_t entry = (uint16_t)(ov_table_word(OV_AT_PLUG_TABLE) + 1u);
  uint8_t next = (uint8_t)!ready, n;
  for (n = 0; n < PLUG_BYTES; n++) ready_bits[next][n] = 0;
  for (n = 0; n < bits; n++, entry++)
    if (is_high(entry)) ready_bits[next][n >> 3] |= ov_flash_byte(ov_bits + (n & 7u));
  ready = next;
}

void ov_plug_init(void) {
  bits = ov_table_byte(OV_AT_PLUG);
  at = bits;
  ov_plug_is_changed = 0;
  if (bits == 0) return;
  after = ov_table_byte(ov_table_word(OV_AT_PLUG_TABLE));
  make_ready();
}

void ov_plug_play(void) {
  if (!ov_plug_is_changed) return;
  ov_plug_is_changed = 0;
  if (bits > 0) make_ready();
}

static uint8_t level(void) {
  if (at >= bits) return after;
  return (uint8_t)((shifted[at >> 3] & ov_flash_byte(ov_bits + (at & 7u))) != 0);
}

uint8_t ov_plug_latched(void) {
  const uint8_t *from = ready_bits[ready];
  uint8_t n;
  for (n = 0; n < PLUG_BYTES; n++) shifted[n] = from[n];
  at = 0;
  return level();
}

uint8_t ov_plug_clocked(void) {
  if (at < bits) at++;
  return level();
}

#else

uint8_t ov_plug_latched(void) { return 1; }
uint8_t ov_plug_clocked(void) { return 1; }

#endif
