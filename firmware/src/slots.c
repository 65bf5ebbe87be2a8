/* What a device keeps while its power is off: two slots for changes of the keymap, of which the newest whole one counts.
 * A slot is written from its second byte on and sealed by its first, so whatever moment the power fails in, the other
 * one is still whole. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* The slot being checked, change by change. */
static uint16_t checked;
static uint16_t crc;
static uint16_t after; /* no change may stand before this: one more than the layer and input of the last */

uint16_t ov_slot_at(uint8_t slot) { return (uint16_t)(OV_KEPT_KEYMAP + slot * OV_SLOT_BYTES_KEYMAP); }

uint16_t ov_slot_word(uint16_t at) {
  return (uint16_t)(ov_hal_kept(at) | (uint16_t)(ov_hal_kept((uint16_t)(at + 1)) << 8));
}

uint32_t ov_kept_long(uint16_t at) {
  return ov_slot_word(at) | (uint32_t)ov_slot_word((uint16_t)(at + 2)) << 16;
}

uint16_t ov_change_place(uint16_t slot, uint8_t nth) {
  return (uint16_t)(slot + OV_SLOT_AT_CHANGES + nth * OV_CHANGE_BYTES);
}

static void add(uint16_t at, uint8_t bytes) {
  while (bytes-- > 0) crc = ov_crc_add(crc, ov_hal_kept(at++));
}

void ov_slot_check(uint16_t slot) {
  checked = slot;
  after = 0;
  crc = OV_CRC_START;
  add((uint16_t)(slot + OV_SLOT_AT_SEQUENCE), OV_SLOT_AT_CRC - OV_SLOT_AT_SEQUENCE);
}

/* Changes stand in order of layer and input, none twice, each of an input and an action that there are. */
uint8_t ov_slot_check_change(uint8_t nth) {
  uint16_t place = ov_change_place(checked, nth);
  uint8_t layer = ov_hal_kept(place);
  uint8_t input = ov_hal_kept((uint16_t)(place + 1));
  uint16_t key = (uint16_t)((layer << 8) | input);
  add(place, OV_CHANGE_BYTES);
  if (layer >= ov_table_byte(OV_AT_LAYERS) || input >= ov_input_count() || key < after) return 0;
  after = (uint16_t)(key + 1);
  return ov_action_is_sound(ov_kept_long((uint16_t)(place + 2)));
}

uint16_t ov_slot_check_crc(void) { return crc; }

/* Sealed, for these tables, and nothing in it torn. */
uint8_t ov_slot_is_whole(uint16_t slot) {
  uint8_t count = ov_hal_kept((uint16_t)(slot + OV_SLOT_AT_COUNT));
  uint8_t nth;
  if (ov_hal_kept((uint16_t)(slot + OV_SLOT_AT_SEAL)) != OV_SEAL || count > OV_MOST_CHANGES) return 0;
  if (ov_slot_word((uint16_t)(slot + OV_SLOT_AT_TABLES_CRC)) != ov_tables_crc()) return 0;
  ov_slot_check(slot);
  for (nth = 0; nth < count; nth++) {
    if (!ov_slot_check_change(nth)) return 0;
  }
  return ov_slot_check_crc() == ov_slot_word((uint16_t)(slot + OV_SLOT_AT_CRC));
}
