/* Where the tables say what an input does on a layer. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t input_count;
static uint16_t action_table;
static uint16_t layer_bytes;

void ov_actions_init(void) {
  input_count = (uint8_t)(ov_table_byte(OV_AT_SWITCHES) + 2u * ov_table_byte(OV_AT_ENCODERS));
  action_table = ov_table_word(OV_AT_ACTION_TABLE);
  layer_bytes = (uint16_t)(input_count * OV_ACTION_BYTES);
}

uint8_t ov_input_count(void) { return input_count; }

/* An action that is longer than an entry lies in the pool; it begins there as an entry does. */
uint16_t ov_action_at(uint8_t layer, uint8_t input) {
  uint16_t entry = (uint16_t)(action_table + layer * layer_bytes + input * OV_ACTION_BYTES);
  if (ov_table_byte(entry) != OV_DO_LONG) return entry;
  return (uint16_t)(ov_table_word(OV_AT_ACTION_POOL) + ov_table_word((uint16_t)(entry + 2)));
}

uint8_t ov_action_reports(uint16_t action) {
  uint8_t kind = ov_table_byte(action);
  return (uint8_t)(kind == OV_DO_KEYBOARD || kind == OV_DO_CONSUMER);
}
