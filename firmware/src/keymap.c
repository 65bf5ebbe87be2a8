/* What an input does. A release undoes what its own press did, whatever the layers are by then. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define INPUTS (OV_MAX_SWITCHES + 2 * OV_MAX_ENCODERS)
#define CONSUMER_DEPTH 4

static uint8_t pressed_from[INPUTS];
static uint8_t input_count;
static uint16_t action_table;
static uint16_t layer_bytes;
static uint8_t modifying; /* pressed inputs that report modifiers */
static uint8_t consumer_inputs[CONSUMER_DEPTH]; /* held consumer inputs, newest first */

void ov_keymap_init(void) {
  uint8_t i;
  input_count = (uint8_t)(ov_table_byte(OV_AT_SWITCHES) + 2u * ov_table_byte(OV_AT_ENCODERS));
  action_table = ov_table_word(OV_AT_ACTION_TABLE);
  layer_bytes = (uint16_t)(input_count * OV_ACTION_BYTES);
  modifying = 0;
  for (i = 0; i < INPUTS; i++) pressed_from[i] = OV_NONE;
  for (i = 0; i < CONSUMER_DEPTH; i++) consumer_inputs[i] = OV_NONE;
}

uint8_t ov_input_count(void) { return input_count; }

uint8_t ov_input_layer(uint8_t input) { return pressed_from[input]; }

uint16_t ov_action_at(uint8_t layer, uint8_t input) {
  return (uint16_t)(action_table + layer * layer_bytes + input * OV_ACTION_BYTES);
}

static uint16_t value_of(uint16_t action) { return ov_table_word((uint16_t)(action + 2)); }

uint16_t ov_consumer_usage(void) {
  uint8_t input = consumer_inputs[0];
  return input == OV_NONE ? 0 : value_of(ov_action_at(pressed_from[input], input));
}

static void consumer_push(uint8_t input) {
  uint8_t i;
  for (i = CONSUMER_DEPTH - 1; i > 0; i--) consumer_inputs[i] = consumer_inputs[i - 1];
  consumer_inputs[0] = input;
}

static void consumer_drop(uint8_t input) {
  uint8_t from;
  uint8_t to = 0;
  for (from = 0; from < CONSUMER_DEPTH; from++) {
    if (consumer_inputs[from] != input) consumer_inputs[to++] = consumer_inputs[from];
  }
  while (to < CONSUMER_DEPTH) consumer_inputs[to++] = OV_NONE;
}

uint8_t ov_modifying_inputs(void) { return modifying; }

uint8_t ov_reports_modifiers(uint16_t action) {
  return (uint8_t)(ov_table_byte((uint16_t)(action + 1)) != 0 || ov_table_byte((uint16_t)(action + 2)) >= OV_FIRST_MODIFIER);
}

static void start(uint8_t input, uint16_t action) {
  uint8_t layer = (uint8_t)value_of(action);
  switch (ov_table_byte(action)) {
    case OV_DO_KEYBOARD: modifying = (uint8_t)(modifying + ov_reports_modifiers(action)); break;
    case OV_DO_CONSUMER: consumer_push(input); break;
    case OV_DO_HOLD_LAYER: ov_layer_hold(layer); break;
    case OV_DO_STAY_LAYER: ov_layer_stay(layer); break;
    default: break;
  }
}

static void finish(uint8_t input, uint16_t action) {
  switch (ov_table_byte(action)) {
    case OV_DO_KEYBOARD: modifying = (uint8_t)(modifying - ov_reports_modifiers(action)); break;
    case OV_DO_CONSUMER: consumer_drop(input); break;
    case OV_DO_HOLD_LAYER: ov_layer_let_go((uint8_t)value_of(action)); break;
    default: break;
  }
}

static void press(uint8_t input) {
  uint8_t layer = ov_layer_for(input);
  pressed_from[input] = layer;
  start(input, ov_action_at(layer, input));
}

static void release(uint8_t input) {
  uint8_t layer = pressed_from[input];
  if (layer == OV_NONE) return;
  finish(input, ov_action_at(layer, input));
  pressed_from[input] = OV_NONE;
}

void ov_input_changed(uint8_t input, uint8_t pressed) {
  if (pressed) press(input);
  else release(input);
  ov_reports_changed();
}
