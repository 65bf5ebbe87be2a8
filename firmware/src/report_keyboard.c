/* The keyboard's report, in the boot layout of USB HID 1.11 (appendix B.1): modifiers, reserved, six usages. Where the tables say so a bit
 * for every key stands behind them, which a system reads instead of the six. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define FIRST_KEY 2
#define KEYS (OV_KEYBOARD_BYTES - FIRST_KEY)
#define ERROR_ROLL_OVER 0x01

/* The input whose usage went down last: only for it do modifiers count that its binding brings along, so that a
 * shifted sign does not shift the letter that is rolled onto. */
static uint8_t leading;
static uint8_t leading_modifiers; /* of its binding, and those that waited for the next key */

static uint8_t tells_every_key;

static uint8_t modifier_keys; /* held inputs whose usage is a modifier */

void ov_keyboard_init(void) {
  leading = OV_NONE;
  modifier_keys = 0;
  tells_every_key = (uint8_t)(ov_table_byte(OV_AT_KEY_BYTES) > 0);
}

static uint8_t usage_of(uint32_t action) { return (uint8_t)ov_action_value(action); }

void ov_keyboard_pressed(uint8_t input, uint8_t usage, uint8_t modifiers) {
  if (usage >= OV_FIRST_MODIFIER) {
    modifier_keys++;
    return;
  }
  leading = input;
  leading_modifiers = modifiers;
}

void ov_keyboard_released(uint8_t input, uint8_t usage) {
  if (leading == input) leading = OV_NONE;
  if (usage >= OV_FIRST_MODIFIER) modifier_keys--;
}

uint8_t ov_keyboard_length(void) { return (uint8_t)(OV_KEYBOARD_BYTES + ov_table_byte(OV_AT_KEY_BYTES)); }

/* Adds one usage; answers how many usages are down by then. */
static uint8_t add_usage(uint8_t *report, uint8_t usage, uint8_t down) {
  uint8_t i;
  if (tells_every_key) {
    uint8_t bit = ov_flash_byte(ov_bits + (usage & 7u));
    uint8_t *byte = report + OV_KEYBOARD_BYTES + (usage >> 3);
    if (*byte & bit) return down;
    *byte |= bit;
  } else {
    for (i = 0; i < down && i < KEYS; i++) {
      if (report[FIRST_KEY + i] == usage) return down;
    }
  }
  if (down < KEYS) report[FIRST_KEY + down] = usage;
  return (uint8_t)(down + 1);
}

/* What a macro holds comes first. */
OV_RARELY static uint8_t add_macro(uint8_t *report) {
  uint8_t down = 0;
  uint8_t i;
  for (i = 0; i < OV_MACRO_KEYS; i++) {
    uint8_t usage = ov_macro_down[i];
    if (usage == 0) continue;
    report[0] = (uint8_t)(report[0] | ov_macro_with[i]);
    if (usage < OV_FIRST_MODIFIER) down = add_usage(report, usage, down);
    else report[0] = (uint8_t)(report[0] | (1u << (usage - OV_FIRST_MODIFIER)));
  }
  return down;
}

/* The inputs in their order; once there are too many keys for six, only modifier keys still matter, unless each has a bit. */
void ov_keyboard_build(uint8_t *report) {
  const uint8_t *all = ov_held_all();
  uint8_t inputs = ov_input_count();
  uint8_t modifiers_left = modifier_keys;
  uint8_t down = 0;
  uint8_t input;
  for (input = ov_keyboard_length(); input > 0; input--) report[input - 1u] = 0;
  if (leading != OV_NONE) report[0] = leading_modifiers;
  if (ov_macro_types) {
    report[0] = 0;
    modifiers_left = 0;
  }
  if (ov_macro_plays) down = add_macro(report);
  for (input = 0; input < inputs && (down <= KEYS || modifiers_left > 0 || tells_every_key); input++) {
    uint8_t on = *all++;
    uint32_t action;
    uint8_t usage;
    if (on & OV_ON_SILENT) continue;
    action = ov_held_action(on, input);
    if (ov_action_kind(action) != OV_DO_KEYBOARD) continue;
    usage = usage_of(action);
    if (usage < OV_FIRST_MODIFIER) {
      down = add_usage(report, usage, down);
      continue;
    }
    if (ov_macro_types) continue;
    modifiers_left--;
    report[0] = (uint8_t)(report[0] | ov_action_modifiers(action) | (1u << (usage - OV_FIRST_MODIFIER)));
  }
  if (down <= KEYS) return;
  for (input = 0; input < KEYS; input++) report[FIRST_KEY + input] = ERROR_ROLL_OVER;
}
