/* What an input does on a layer as it was loaded, and what an action is. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t input_count;
static uint16_t action_table;

void ov_actions_init(void) {
  input_count = (uint8_t)(ov_first_together() + ov_table_byte(OV_AT_TOGETHER));
  action_table = ov_table_word(OV_AT_ACTION_TABLE);
}

uint8_t ov_input_count(void) { return input_count; }

/* After the inputs of switches and encoders come the ways back of switches that tell their change, then what is pressed by
 * axes, then keys together. */
uint8_t ov_first_back(void) {
  return (uint8_t)(ov_table_byte(OV_AT_SWITCHES) + 2u * ov_table_byte(OV_AT_ENCODERS));
}

uint8_t ov_first_together(void) {
  return (uint8_t)(ov_first_back() + ov_table_byte(OV_AT_FLIPS) + ov_beyonds());
}

uint32_t ov_loaded_action(uint8_t layer, uint8_t input) {
  uint16_t nth = (uint16_t)((uint16_t)(layer * input_count) + input);
  return ov_table_long((uint16_t)(action_table + nth * OV_ACTION_BYTES));
}

uint8_t ov_action_reports(uint32_t action) {
  uint8_t kind = ov_action_kind(action);
  return (uint8_t)(kind == OV_DO_KEYBOARD || kind == OV_DO_CONSUMER || (kind >= OV_DO_MACRO && kind <= OV_DO_POINTER_PLACE && kind != OV_DO_AWAKE));
}

uint16_t ov_pool_bytes(void) {
  return (uint16_t)(ov_table_word(OV_AT_LENGTH) - 2u - ov_table_word(OV_AT_ACTION_POOL));
}

uint16_t ov_pool_place(uint16_t value) { return (uint16_t)(ov_table_word(OV_AT_ACTION_POOL) + value); }

/* A channel, and two values of seven bits. */
static uint8_t is_sound_music(uint32_t action) {
  return (uint8_t)(ov_music_plays() && ov_action_modifiers(action) < OV_MUSIC_CHANNELS && (ov_action_value(action) & 0x8080u) == 0);
}

static uint8_t is_sound_short(uint32_t action) {
  switch (ov_action_kind(action)) {
    case OV_DO_HOLD_LAYER:
    case OV_DO_STAY_LAYER:
    case OV_DO_SWITCH_LAYER:
    case OV_DO_NEXT_LAYER: return ov_action_value(action) < ov_table_byte(OV_AT_LAYERS);
    case OV_DO_MACRO: return ov_action_value(action) < ov_table_byte(OV_AT_MACROS);
    case OV_DO_PASS:
    case OV_DO_NOTHING:
    case OV_DO_KEYBOARD:
    case OV_DO_CONSUMER:
    case OV_DO_NEXT_MODIFIERS:
    case OV_DO_POINTER_MOVE:
    case OV_DO_POINTER_WHEEL:
    case OV_DO_POINTER_PLACE:
    case OV_DO_AWAKE: return 1;
    case OV_DO_POINTER_BUTTON: return ov_action_value(action) < OV_POINTER_BUTTONS;
    case OV_DO_SYSTEM: return ov_action_value(action) < OV_SYSTEM_USAGES;
    case OV_DO_PAD_BUTTON: return OV_WITH_PAD && ov_action_value(action) < ov_table_byte(OV_AT_PAD_BUTTONS);
    case OV_DO_PAD_HAT: return OV_WITH_PAD && ov_action_value(action) < 4u;
    case OV_DO_NOTE:
    case OV_DO_CONTROLLER:
    case OV_DO_PROGRAM: return is_sound_music(action);
    default: return 0;
  }
}

static uint8_t long_bytes(uint8_t kind) {
  if (kind == OV_DO_TWO_JOBS) return OV_TWO_JOBS_BYTES;
  return kind == OV_DO_SECOND_TAP ? OV_SECOND_TAP_BYTES : OV_ACTION_BYTES;
}

static uint8_t is_sound_long(uint16_t value) {
  uint16_t room = ov_pool_bytes();
  uint16_t at = ov_pool_place(value);
  uint32_t action;
  /* Both sides are below 0x8000, so nothing runs over. */
  if (value >= OV_MOST_TABLE_BYTES || value + OV_ACTION_BYTES > room) return 0;
  action = ov_table_long(at);
  if (!ov_action_waits(action)) return is_sound_short(action);
  /* A device whose tables keep no list of what waits cannot carry it out. */
  if (ov_table_byte(OV_AT_WAITING) == 0 || value + long_bytes(ov_action_kind(action)) > room) return 0;
  return (uint8_t)(is_sound_short(ov_table_long((uint16_t)(at + OV_JOB_FIRST * OV_ACTION_BYTES))) &&
                   is_sound_short(ov_table_long((uint16_t)(at + OV_JOB_SECOND * OV_ACTION_BYTES))));
}

uint8_t ov_action_is_sound(uint32_t action) {
  return ov_action_kind(action) == OV_DO_LONG ? is_sound_long(ov_action_value(action)) : is_sound_short(action);
}

uint32_t ov_job_action(uint8_t layer, uint8_t input, uint8_t job) {
  uint16_t at = ov_pool_place(ov_action_value(ov_entry(layer, input)));
  return ov_table_long((uint16_t)(at + job * OV_ACTION_BYTES));
}
