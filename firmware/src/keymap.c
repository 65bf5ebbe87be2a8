/* What an input does. A release undoes what its own press did, whatever the layers are by then. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static void start(uint8_t input, uint32_t action) {
  uint8_t layer = (uint8_t)ov_action_value(action);
  switch (ov_action_kind(action)) {
    case OV_DO_KEYBOARD: ov_keyboard_pressed(input, action); break;
    case OV_DO_CONSUMER: ov_consumer_pressed(input); break;
    case OV_DO_HOLD_LAYER: ov_layer_hold(layer); break;
    case OV_DO_STAY_LAYER: ov_layer_stay(layer); break;
    default: break;
  }
}

static void finish(uint8_t input, uint32_t action) {
  switch (ov_action_kind(action)) {
    case OV_DO_KEYBOARD: ov_keyboard_released(input, action); break;
    case OV_DO_CONSUMER: ov_consumer_released(input); break;
    case OV_DO_HOLD_LAYER: ov_layer_let_go((uint8_t)ov_action_value(action)); break;
    default: break;
  }
}

static void press(uint8_t input) {
  uint8_t layer = ov_layer_for(input);
  ov_held_set(input, layer);
  start(input, ov_action(layer, input));
}

static void release(uint8_t input) {
  uint8_t layer = ov_held_on(input);
  if (layer == OV_NONE) return;
  finish(input, ov_action(layer, input));
  ov_held_set(input, OV_NONE);
}

void ov_input_changed(uint8_t input, uint8_t pressed) {
  if (pressed) press(input);
  else release(input);
  ov_reports_changed();
}
