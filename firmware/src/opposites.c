/* Opposite directions: what counts while both are held. An input that does not count is silent, as if it were let go. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t opposites;
static uint8_t *has_opposite; /* a bit for each input: looked at with every change */
static uint16_t table;

void ov_opposites_init(void) {
  uint8_t nth;
  opposites = ov_table_byte(OV_AT_OPPOSITES);
  if (opposites > 0) ov_cares |= OV_CARES_OPPOSITES;
  table = ov_table_word(OV_AT_OPPOSITE_TABLE);
  has_opposite = ov_arena_take(OV_PART_BYTES(opposites));
  for (nth = 0; nth < 2u * opposites; nth++) {
    uint8_t input = ov_table_byte((uint16_t)(table + OV_OPPOSITE_BYTES * (nth / 2u) + nth % 2u));
    has_opposite[input >> 3] = (uint8_t)(has_opposite[input >> 3] | (1u << (input & 7u)));
  }
}

uint8_t ov_opposes(uint8_t input) { return (uint8_t)(has_opposite[input >> 3] & ov_flash_byte(ov_bits + (input & 7u))); }

static uint8_t is_down(uint8_t input) {
  uint8_t on = ov_held_on(input);
  return (uint8_t)(on != OV_NONE && on != OV_ON_TOGETHER);
}

static uint8_t counts(uint8_t school, uint8_t is_newest, uint8_t is_first_side) {
  switch (school) {
    case OV_LAST_COUNTS: return is_newest;
    case OV_FIRST_COUNTS: return (uint8_t)!is_newest;
    case OV_ONE_SIDE_COUNTS: return is_first_side;
    default: return 0;
  }
}

void ov_opposites_changed(uint8_t input) {
  uint8_t nth;
  uint16_t at = table;
  for (nth = 0; nth < opposites; nth++, at = (uint16_t)(at + OV_OPPOSITE_BYTES)) {
    uint8_t a = ov_table_byte(at);
    uint8_t b = ov_table_byte((uint16_t)(at + 1));
    uint8_t school = ov_table_byte((uint16_t)(at + 2));
    uint8_t both;
    if (input != a && input != b) continue;
    both = (uint8_t)(is_down(a) && is_down(b));
    /* Of two that change places the one that falls silent is let go first. */
    if (both && !counts(school, input == a, 1)) ov_silence(a, 1);
    if (both && !counts(school, input == b, 0)) ov_silence(b, 1);
    if (is_down(a) && (!both || counts(school, input == a, 1))) ov_silence(a, 0);
    if (is_down(b) && (!both || counts(school, input == b, 0))) ov_silence(b, 0);
  }
}
