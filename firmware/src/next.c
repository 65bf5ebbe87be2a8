/* Modifiers and layers for the next key only. While its key is held they are there for all that is pressed; tapped alone,
 * they stay for the next press that tells the host something, and are taken back by another tap. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t fresh;     /* such keys that are held, and nothing was pressed since */
static uint8_t tapped;    /* modifiers that stay for the next key */
static uint16_t layers;   /* the same of layers, a bit each */
static uint8_t modifiers; /* those that stay, and those of keys that are held */
static uint8_t stale;     /* these have to be gathered anew */
static uint8_t changed;
static uint8_t keys[OV_MOST_NEXT_KEYS]; /* the inputs that are held for such a thing */
static uint8_t held;

void ov_next_init(void) {
  fresh = tapped = modifiers = stale = held = 0;
  layers = 0;
  changed = 1;
}

uint8_t ov_next_waits(void) { return (uint8_t)(tapped != 0 || layers != 0); }

uint8_t ov_next_changed(void) {
  uint8_t was = changed;
  changed = 0;
  return was;
}

static uint8_t is_layer(uint32_t action) { return (uint8_t)(ov_action_kind(action) == OV_DO_NEXT_LAYER); }
static uint16_t bit_of(uint32_t action) { return (uint16_t)(1u << (ov_action_value(action) & 15u)); }

static uint32_t action_of(uint8_t input) { return ov_held_action(ov_held_on(input), input); }

static void gather(void) {
  uint8_t i;
  modifiers = tapped;
  for (i = 0; i < held; i++) {
    uint32_t action = action_of(keys[i]);
    if (!is_layer(action)) modifiers = (uint8_t)(modifiers | ov_action_modifiers(action));
  }
  stale = 0;
  if (modifiers != 0 || layers != 0 || fresh > 0) ov_cares |= OV_CARES_NEXT;
  else ov_cares &= (uint8_t)~OV_CARES_NEXT;
}

uint8_t ov_next_modifiers(void) {
  if (stale) gather();
  return modifiers;
}

static void has_changed(void) {
  changed = stale = 1;
  ov_cares |= OV_CARES_NEXT;
}

static void mark_used(uint8_t input) { ov_held_set(input, (uint8_t)(ov_held_on(input) | OV_ON_USED)); }

/* @returns 1 when it stayed for the next key, and now does not any more */
static uint8_t take_back(uint32_t action) {
  if (!is_layer(action)) {
    uint8_t stayed = tapped & ov_action_modifiers(action);
    tapped = (uint8_t)(tapped & ~ov_action_modifiers(action));
    return (uint8_t)(stayed != 0);
  }
  if (!(layers & bit_of(action))) return 0;
  layers = (uint16_t)(layers & ~bit_of(action));
  ov_layer_let_go((uint8_t)ov_action_value(action));
  return 1;
}

void ov_next_pressed(uint8_t input, uint32_t action) {
  if (held == OV_MOST_NEXT_KEYS) return;
  keys[held++] = input;
  /* Tapped again it is taken back, and its release keeps nothing. */
  if (take_back(action)) mark_used(input);
  else fresh++;
  if (is_layer(action)) ov_layer_hold((uint8_t)ov_action_value(action));
  has_changed();
}

/* @returns 0 when it was one too many */
static uint8_t leave(uint8_t input) {
  uint8_t i;
  for (i = 0; i < held; i++) {
    if (keys[i] != input) continue;
    keys[i] = keys[--held];
    return 1;
  }
  return 0;
}

void ov_next_released(uint8_t input, uint32_t action) {
  uint8_t is_used = ov_held_on(input) & OV_ON_USED;
  if (!leave(input)) return;
  if (!is_used) fresh--;
  /* A layer that stays keeps its one holder. */
  if (!is_layer(action)) tapped = (uint8_t)(tapped | (is_used ? 0 : ov_action_modifiers(action)));
  else if (is_used || (layers & bit_of(action))) ov_layer_let_go((uint8_t)ov_action_value(action));
  else layers = (uint16_t)(layers | bit_of(action));
  has_changed();
}

static void use(void) {
  uint8_t layer, i;
  for (layer = 0; layers != 0; layer++, layers = (uint16_t)(layers >> 1)) {
    if (layers & 1u) ov_layer_let_go(layer);
  }
  tapped = 0;
  for (i = 0; i < held; i++) mark_used(keys[i]);
  fresh = 0;
  has_changed();
}

void ov_next_used(void) {
  if (fresh > 0 || ov_next_waits()) use();
}
