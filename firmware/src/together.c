/* Keys together: pressed within their window they do another thing, which is an input of its own. It ends when the first
 * of them is let go; the others then do nothing any more. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t *is_part; /* a bit for each input: looked at with every press */
static uint8_t count, first;
static uint16_t table;

static uint16_t entry_of(uint8_t nth) { return (uint16_t)(table + nth * OV_TOGETHER_BYTES); }

uint8_t ov_together_size(uint8_t nth) { return ov_table_byte((uint16_t)(entry_of(nth) + OV_TOGETHER_AT_SIZE)); }
uint8_t ov_together_part(uint8_t nth, uint8_t part) {
  return ov_table_byte((uint16_t)(entry_of(nth) + OV_TOGETHER_AT_PARTS + part));
}

void ov_together_init(void) {
  uint8_t nth, part;
  count = ov_table_byte(OV_AT_TOGETHER);
  table = ov_table_word(OV_AT_TOGETHER_TABLE);
  first = ov_first_together();
  is_part = ov_arena_take(OV_PART_BYTES(count));
  for (nth = 0; nth < count; nth++) {
    for (part = 0; part < ov_together_size(nth); part++) {
      uint8_t input = ov_together_part(nth, part);
      is_part[input >> 3] = (uint8_t)(is_part[input >> 3] | (1u << (input & 7u)));
    }
  }
}

uint8_t ov_together_may_be(uint8_t input) {
  return (uint8_t)(count > 0 && (is_part[input >> 3] & ov_flash_byte(ov_bits + (input & 7u))) != 0);
}

static uint8_t has(uint16_t entry, uint8_t input) {
  uint8_t left = ov_table_byte((uint16_t)(entry + OV_TOGETHER_AT_SIZE));
  uint16_t part = (uint16_t)(entry + OV_TOGETHER_AT_PARTS);
  while (left-- > 0) {
    if (ov_table_byte(part++) == input) return 1;
  }
  return 0;
}

/* Bound to nothing, or to nothing at all, on the layer of the moment, its parts are keys like others. */
static uint8_t is_bound(uint8_t nth) {
  uint8_t input = (uint8_t)(first + nth);
  uint8_t kind = ov_action_kind(ov_action(ov_layer_for(input), input));
  return (uint8_t)(kind != OV_DO_PASS && kind != OV_DO_NOTHING);
}

#define CANNOT 0
#define MAY 1
#define IS 2

/* Whether what waits begins with all of its parts, may come to, or cannot any more; the oldest is one of them. */
static uint8_t state_of(uint16_t entry, uint8_t is_over) {
  uint8_t window_ms = ov_table_byte((uint16_t)(entry + OV_TOGETHER_AT_WINDOW));
  uint8_t size = ov_table_byte((uint16_t)(entry + OV_TOGETHER_AT_SIZE));
  uint8_t came;
  for (came = 1; came < ov_waiting_count(); came++) {
    if (came == size) break;
    if (!ov_waiting_pressed(came) || ov_waiting_age(came) >= window_ms || !has(entry, ov_waiting_input(came))) return CANNOT;
  }
  if (came == size) return IS;
  return is_over || ov_waiting_now() >= window_ms ? CANNOT : MAY;
}

uint8_t ov_together_of_oldest(uint8_t is_over) {
  uint8_t input = ov_waiting_input(0);
  uint8_t best = OV_NONE;
  uint16_t entry = table;
  uint8_t nth;
  if (!ov_together_may_be(input)) return OV_NONE;
  for (nth = 0; nth < count; nth++, entry = (uint16_t)(entry + OV_TOGETHER_BYTES)) {
    uint8_t state;
    if (!has(entry, input)) continue;
    state = state_of(entry, is_over);
    if (state == CANNOT || !is_bound(nth)) continue;
    if (state == MAY) return OV_UNDECIDED;
    if (best == OV_NONE || ov_together_size(nth) > ov_together_size(best)) best = nth;
  }
  return best == OV_NONE ? OV_NONE : (uint8_t)(first + best);
}

uint8_t ov_together_of_part(uint8_t part) {
  const uint8_t *on = ov_held_all() + first;
  uint16_t entry = table;
  uint8_t left;
  for (left = count; left > 0; left--, entry = (uint16_t)(entry + OV_TOGETHER_BYTES)) {
    if (*on++ != OV_NONE && has(entry, part)) return (uint8_t)(first + count - left);
  }
  return OV_NONE;
}
