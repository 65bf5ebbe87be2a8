/* What an input does. A release undoes what its own press did, whatever the layers are by then. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* Whether a press is the next key that a modifier or a layer was kept for: modifiers themselves are not. */
static uint8_t is_next_key(uint32_t action) {
  if (ov_action_kind(action) == OV_DO_KEYBOARD) return (uint8_t)(ov_action_value(action) < OV_FIRST_MODIFIER);
  return ov_action_reports(action);
}

static inline uint8_t is_opposed(uint8_t input) { return (uint8_t)((ov_cares & OV_CARES_OPPOSITES) && ov_opposes(input)); }

OV_RARELY static void begin(uint8_t input, uint8_t on, uint32_t action) {
  if (ov_cares & OV_CARES_MACRO) ov_macro_end();
  ov_held_set(input, on);
  ov_effect_start(input, action);
  if ((ov_cares & OV_CARES_NEXT) && is_next_key(action)) ov_next_used();
  if (is_opposed(input)) ov_opposites_changed(input);
  ov_reports_changed();
}

void ov_press_do(uint8_t input, uint8_t on) { begin(input, on, ov_held_action(on, input)); }

/* Nobody waits for the end of a knob's step, a flip or keys together: of two jobs they do the first. Usages of the keyboard
 * that nothing else concerns are the common case, and told with the least work. */
static void press(uint8_t input) {
  uint8_t layer = ov_layer_for(input);
  uint32_t action = ov_action(layer, input);
  if (ov_action_waits(action)) ov_press_do(input, (uint8_t)(layer | (OV_JOB_FIRST << OV_JOB_SHIFT)));
  else ov_press_at_once(input, layer, action);
}

void ov_press_at_once(uint8_t input, uint8_t layer, uint32_t action) {
  if (ov_action_kind(action) != OV_DO_KEYBOARD || (ov_cares & ~OV_CARES_OPPOSITES) || is_opposed(input)) {
    begin(input, layer, action);
  } else {
    ov_held_set(input, layer);
    ov_keyboard_pressed(input, (uint8_t)ov_action_value(action), ov_action_modifiers(action));
    ov_reports_changed();
  }
}

static void end(uint8_t input, uint32_t action) {
  if (ov_action_kind(action) == OV_DO_KEYBOARD) ov_keyboard_released(input, (uint8_t)ov_action_value(action));
  else ov_effect_finish(input, action);
}

static void release(uint8_t input) {
  uint8_t on = ov_held_on(input);
  if (on == OV_NONE) return;
  if (!(on & OV_ON_SILENT)) end(input, ov_held_action(on, input));
  ov_held_set(input, OV_NONE);
  if (is_opposed(input)) ov_opposites_changed(input);
  ov_reports_changed();
}

/* Which of its parts a set of keys together speaks through, or no more. */
static void set_parts(uint8_t together, uint8_t on) {
  uint8_t nth = (uint8_t)(together - ov_first_together());
  uint8_t size = ov_together_size(nth);
  uint8_t part;
  for (part = 0; part < size; part++) ov_held_set(ov_together_part(nth, part), on);
}

/* What keys together do ends with the first of them; to those that come up later nobody listens any more. */
OV_APART static void end_together(uint8_t part) {
  uint8_t together = ov_together_of_part(part);
  if (together == OV_NONE) return;
  set_parts(together, OV_NONE);
  release(together);
}

void ov_input_do(uint8_t input, uint8_t pressed) {
  if (pressed) press(input);
  else if (ov_held_on(input) == OV_ON_TOGETHER) end_together(input);
  else release(input);
}

void ov_together_do(uint8_t together) {
  set_parts(together, OV_ON_TOGETHER);
  press(together);
}
