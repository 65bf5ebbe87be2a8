/* Which layer an input is read from: held layers from the highest down, then the default layer, then the base. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t *holders;
static uint8_t default_layer;
static uint8_t held; /* holders in all, so that the common case looks at none */
static uint16_t switched_on; /* a bit for each layer */
static uint8_t changed;
uint8_t ov_layers_off_base;

static void has_changed(void) {
  ov_layers_off_base = (uint8_t)(held | default_layer);
  changed = 1;
}

void ov_layers_init(void) {
  holders = ov_arena_take(ov_table_byte(OV_AT_LAYERS));
  default_layer = 0;
  held = 0;
  switched_on = 0;
  has_changed();
}

void ov_layer_hold(uint8_t layer) {
  holders[layer]++;
  held++;
  has_changed();
}

void ov_layer_let_go(uint8_t layer) {
  holders[layer]--;
  held--;
  has_changed();
}

void ov_layer_stay(uint8_t layer) {
  default_layer = layer;
  has_changed();
}

void ov_layer_switch(uint8_t layer) {
  switched_on = (uint16_t)(switched_on ^ (1u << layer));
  if ((switched_on >> layer) & 1u) ov_layer_hold(layer);
  else ov_layer_let_go(layer);
}

uint8_t ov_layers_changed(void) {
  uint8_t told = changed;
  changed = 0;
  return told;
}

uint8_t ov_layer_active(uint8_t layer) { return (uint8_t)(holders[layer] > 0 || layer == default_layer); }

static uint8_t answers(uint8_t layer, uint8_t input, uint8_t of) {
  if (OV_WITH_DISPLAYS && of == OV_OF_NAME) return 1;
  if (OV_WITH_DISPLAYS && of == OV_OF_DISPLAYS) return (uint8_t)(ov_displays_page(layer, input) != OV_NONE);
  if (OV_WITH_SEGMENTS && of == OV_OF_SEGMENTS) return (uint8_t)(ov_segments_do(layer, input) != OV_SEGMENT_DO_PASS);
  if (of) return (uint8_t)(ov_axis_does(layer, input) != OV_AXIS_DO_PASS);
  return ov_action_kind(ov_action(layer, input)) != OV_DO_PASS;
}

uint8_t ov_layer_found(uint8_t input, uint8_t of) {
  uint8_t layer = held > 0 ? ov_table_byte(OV_AT_LAYERS) : 0;
  while (layer-- > 0) {
    if (holders[layer] > 0 && answers(layer, input, of)) return layer;
  }
  /* A held base speaks before the default layer, and it is the last to be asked. */
  if (held > 0 && holders[0] > 0) return 0;
  return default_layer > 0 && answers(default_layer, input, of) ? default_layer : 0;
}

#if OV_WITH_LINK
uint8_t ov_layer_default(void) { return default_layer; }

uint16_t ov_layers_there(void) {
  uint8_t layer = ov_table_byte(OV_AT_LAYERS);
  uint16_t there = 0;
  while (layer-- > 0) there = (uint16_t)(there << 1 | (holders[layer] > 0));
  return there;
}

void ov_layers_told(uint16_t there, uint8_t is_default) {
  uint8_t layers = ov_table_byte(OV_AT_LAYERS), layer;
  held = 0;
  for (layer = 0; layer < layers; layer++, there >>= 1) {
    holders[layer] = (uint8_t)(there & 1u);
    held = (uint8_t)(held + holders[layer]);
  }
  default_layer = is_default < layers ? is_default : 0;
  has_changed();
}
#endif
