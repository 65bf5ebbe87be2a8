/* What an action does when it begins and when it ends. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* A controller has its value while its key is held, and is 0 then. */
#if OV_WITH_MUSIC
OV_RARELY static void control(uint32_t action, uint8_t pressed) {
  uint16_t value = ov_action_value(action);
  ov_music_tell((uint8_t)(OV_MUSIC_CONTROL | ov_action_modifiers(action)), (uint8_t)value, (uint8_t)(pressed ? value >> 8 : 0));
}
#else
#define control(action, pressed) ((void)(action))
#endif

void ov_effect_start(uint8_t input, uint32_t action) {
  uint8_t value = (uint8_t)ov_action_value(action); /* a layer, a usage of the keyboard page, a button, a bit */
  switch (ov_action_kind(action)) {
    case OV_DO_KEYBOARD: ov_keyboard_pressed(input, value, (uint8_t)(ov_action_modifiers(action) | ov_next_modifiers())); break;
    case OV_DO_CONSUMER: ov_consumer_pressed(input); break;
    case OV_DO_HOLD_LAYER: ov_layer_hold(value); break;
    case OV_DO_STAY_LAYER: ov_layer_stay(value); break;
    case OV_DO_SWITCH_LAYER: ov_layer_switch(value); break;
    case OV_DO_NEXT_MODIFIERS:
    case OV_DO_NEXT_LAYER: ov_next_pressed(input, action); break;
    case OV_DO_MACRO: ov_macro_start(input, value); break;
    case OV_DO_POINTER_BUTTON: ov_pointer_button(value, 1); break;
    case OV_DO_POINTER_MOVE:
    case OV_DO_POINTER_WHEEL: ov_mover_pressed(input, action); break;
    case OV_DO_POINTER_PLACE: ov_place_point(action); break;
    case OV_DO_AWAKE: ov_awake_pressed(action); break;
    case OV_DO_SYSTEM: ov_system_changed(value, 1); break;
    case OV_DO_PAD_BUTTON: ov_pad_button(value, 1); break;
    case OV_DO_PAD_HAT: ov_pad_hat(value, 1); break;
    case OV_DO_NOTE: ov_music_note(ov_action_modifiers(action), ov_action_value(action), 1); break;
    case OV_DO_CONTROLLER: control(action, 1); break;
    case OV_DO_PROGRAM: ov_music_tell((uint8_t)(OV_MUSIC_PROGRAM | ov_action_modifiers(action)), value, 0); break;
    default: break;
  }
}

void ov_effect_finish(uint8_t input, uint32_t action) {
  switch (ov_action_kind(action)) {
    case OV_DO_KEYBOARD: ov_keyboard_released(input, (uint8_t)ov_action_value(action)); break;
    case OV_DO_CONSUMER: ov_consumer_released(input); break;
    case OV_DO_HOLD_LAYER: ov_layer_let_go((uint8_t)ov_action_value(action)); break;
    case OV_DO_NEXT_MODIFIERS:
    case OV_DO_NEXT_LAYER: ov_next_released(input, action); break;
    case OV_DO_MACRO: ov_macro_let_go(input); break;
    case OV_DO_POINTER_BUTTON: ov_pointer_button((uint8_t)ov_action_value(action), 0); break;
    case OV_DO_POINTER_MOVE:
    case OV_DO_POINTER_WHEEL: ov_mover_released(input); break;
    case OV_DO_AWAKE: ov_awake_released(action); break;
    case OV_DO_SYSTEM: ov_system_changed((uint8_t)ov_action_value(action), 0); break;
    case OV_DO_PAD_BUTTON: ov_pad_button((uint8_t)ov_action_value(action), 0); break;
    case OV_DO_PAD_HAT: ov_pad_hat((uint8_t)ov_action_value(action), 0); break;
    case OV_DO_NOTE: ov_music_note(ov_action_modifiers(action), ov_action_value(action), 0); break;
    case OV_DO_CONTROLLER: control(action, 0); break;
    default: break;
  }
}

void ov_silence(uint8_t input, uint8_t silent) {
  uint8_t on = ov_held_on(input);
  uint8_t is_silent = (uint8_t)((on & OV_ON_SILENT) != 0);
  if (is_silent == silent) return;
  if (silent) {
    ov_effect_finish(input, ov_held_action(on, input));
    ov_held_set(input, (uint8_t)(on | OV_ON_SILENT));
  } else {
    ov_held_set(input, (uint8_t)(on & ~OV_ON_SILENT));
    ov_effect_start(input, ov_held_action(on, input));
  }
}
