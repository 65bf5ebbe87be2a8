/* Changes of the keymap that are in effect: one bit of memory for each input on each layer tells whether there is one, and
 * then it is looked up in its slot. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t *changed; /* none when the device takes no live changes */
static uint16_t bitmap_bytes;
static uint8_t slot; /* in effect, or OV_NONE */
static uint8_t count;

static uint16_t bit_of(uint8_t layer, uint8_t input) { return (uint16_t)((uint16_t)layer * ov_input_count() + input); }

/* Layer and input of a change, as one number. */
static uint16_t key_at(uint8_t nth) {
  uint16_t place = ov_change_place(ov_slot_at(slot), nth);
  return (uint16_t)((uint16_t)(ov_hal_kept(place) << 8) | ov_hal_kept((uint16_t)(place + 1)));
}

void ov_changes_take(uint8_t which) {
  uint16_t i;
  uint8_t nth;
  slot = which;
  for (i = 0; i < bitmap_bytes; i++) changed[i] = 0;
  count = slot == OV_NONE ? 0 : ov_hal_kept((uint16_t)(ov_slot_at(slot) + OV_SLOT_AT_COUNT));
  for (nth = 0; nth < count; nth++) {
    uint16_t key = key_at(nth);
    uint16_t bit = bit_of((uint8_t)(key >> 8), (uint8_t)(key & 0xFFu));
    changed[bit >> 3] = (uint8_t)(changed[bit >> 3] | (1u << (bit & 7u)));
  }
}

uint16_t ov_changes_sequence(void) {
  return slot == OV_NONE ? 0 : ov_slot_word((uint16_t)(ov_slot_at(slot) + OV_SLOT_AT_SEQUENCE));
}

void ov_changes_tell(uint8_t nth, uint8_t *to) {
  uint16_t at = ov_slot_at(slot);
  uint8_t left = OV_LINK_KEPT_BYTES - 1u;
  at = nth == 0 ? (uint16_t)(at + OV_SLOT_AT_SEQUENCE) : ov_change_place(at, (uint8_t)(nth - 1u));
  for (*to++ = nth; left > 0; left--) *to++ = slot == OV_NONE ? OV_NONE : ov_hal_kept(at++);
}

uint8_t ov_changes_slot(void) { return slot; }
uint8_t ov_changes_count(void) { return count; }

/* The newest whole slot; sequences run round, so the difference tells. */
static uint8_t newest(void) {
  uint8_t best = OV_NONE;
  uint8_t which;
  uint16_t sequence, best_sequence = 0;
  for (which = 0; which < OV_KEPT_SLOTS; which++) {
    if (!ov_slot_is_whole(ov_slot_at(which))) continue;
    sequence = ov_slot_word((uint16_t)(ov_slot_at(which) + OV_SLOT_AT_SEQUENCE));
    if (best != OV_NONE && (uint16_t)(sequence - best_sequence) >= 0x8000u) continue;
    best = which;
    best_sequence = sequence;
  }
  return best;
}

void ov_changes_init(void) {
  uint16_t bits = (uint16_t)(ov_table_byte(OV_AT_LAYERS) * (uint16_t)ov_input_count());
  changed = 0;
  slot = OV_NONE;
  count = 0;
  if (!ov_live_declared()) return;
  bitmap_bytes = (uint16_t)((bits + 7u) / 8u);
  changed = ov_arena_take(bitmap_bytes);
  ov_changes_take(newest());
}

/* Changes stand in order, so the one looked for is found by halving. */
static uint32_t look_up(uint16_t key) {
  uint8_t low = 0, high = count;
  while (low < high) {
    uint8_t middle = (uint8_t)((low + high) / 2);
    if (key_at(middle) < key) low = (uint8_t)(middle + 1);
    else high = middle;
  }
  return ov_kept_long((uint16_t)(ov_change_place(ov_slot_at(slot), low) + 2));
}

OV_RARELY static uint32_t changed_entry(uint8_t layer, uint8_t input) {
  uint16_t bit = bit_of(layer, input);
  if (!((changed[bit >> 3] >> (bit & 7u)) & 1u)) return ov_loaded_action(layer, input);
  return look_up((uint16_t)((layer << 8) | input));
}

static inline uint32_t entry(uint8_t layer, uint8_t input) {
  return !OV_WITH_LIVE || count == 0 ? ov_loaded_action(layer, input) : changed_entry(layer, input);
}

uint32_t ov_entry(uint8_t layer, uint8_t input) { return entry(layer, input); }

OV_RARELY static uint32_t in_pool(uint16_t value) { return ov_table_long(ov_pool_place(value)); }

uint32_t ov_action(uint8_t layer, uint8_t input) {
  uint32_t action = entry(layer, input);
  return ov_action_kind(action) == OV_DO_LONG ? in_pool(ov_action_value(action)) : action;
}
