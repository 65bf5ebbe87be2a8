/* What an input does on a layer as it was loaded, and what an action is. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t input_count;
static uint16_t action_table;

void ov_actions_init(void) {
  input_count = (uint8_t)(ov_table_byte(OV_AT_SWITCHES) + 2u * ov_table_byte(OV_AT_ENCODERS));
  action_table = ov_table_word(OV_AT_ACTION_TABLE);
}

uint8_t ov_input_count(void) { return input_count; }

uint32_t ov_loaded_action(uint8_t layer, uint8_t input) {
  uint16_t nth = (uint16_t)((uint16_t)(layer * input_count) + input);
  return ov_table_long((uint16_t)(action_table + nth * OV_ACTION_BYTES));
}

uint8_t ov_action_reports(uint32_t action) {
  uint8_t kind = ov_action_kind(action);
  return (uint8_t)(kind == OV_DO_KEYBOARD || kind == OV_DO_CONSUMER);
}

uint16_t ov_pool_bytes(void) {
  return (uint16_t)(ov_table_word(OV_AT_LENGTH) - 2u - ov_table_word(OV_AT_ACTION_POOL));
}

uint16_t ov_pool_place(uint16_t value) { return (uint16_t)(ov_table_word(OV_AT_ACTION_POOL) + value); }

static uint8_t is_sound_short(uint32_t action) {
  uint8_t kind = ov_action_kind(action);
  if (kind == OV_DO_HOLD_LAYER || kind == OV_DO_STAY_LAYER) return ov_action_value(action) < ov_table_byte(OV_AT_LAYERS);
  return kind == OV_DO_PASS || kind == OV_DO_NOTHING || kind == OV_DO_KEYBOARD || kind == OV_DO_CONSUMER;
}

uint8_t ov_action_is_sound(uint32_t action) {
  uint16_t value = ov_action_value(action);
  if (ov_action_kind(action) != OV_DO_LONG) return is_sound_short(action);
  /* Both sides are below 0x8000, so nothing runs over. */
  return (uint8_t)(value < OV_MOST_TABLE_BYTES && value + OV_ACTION_BYTES <= ov_pool_bytes() &&
                   is_sound_short(ov_table_long(ov_pool_place(value))));
}
