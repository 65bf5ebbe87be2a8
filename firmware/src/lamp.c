/* Lamps show a state of the device: a layer, a lock of the host's, something that waits for the next key, an input that is held,
 * that it keeps the computer awake, how far a knob's value is, or simply that it runs. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* What a lamp was told last: nothing yet, off, on. In the first scan every lamp is told, so that none starts lit. */
#define OFF 1

static uint8_t locks, locks_changed;
static uint8_t shows_inputs; /* some lamp shows what changes by itself, so all are looked at in every scan */
static uint8_t *told;

void ov_lamps_init(void) {
  uint16_t kind = (uint16_t)(ov_table_word(OV_AT_LAMP_TABLE) + 1u);
  uint8_t i;
  told = ov_arena_take(ov_table_byte(OV_AT_LAMPS));
  locks = 0;
  locks_changed = 1;
  shows_inputs = 0;
  for (i = 0; i < ov_table_byte(OV_AT_LAMPS); i++, kind = (uint16_t)(kind + OV_LAMP_BYTES)) {
    if (ov_table_byte(kind) >= OV_LAMP_HELD) shows_inputs = 1;
  }
}

void ov_host_locks(uint8_t value) {
  locks = value;
  locks_changed = 1;
}

uint8_t ov_shows(uint16_t entry) {
  uint8_t argument = ov_table_byte((uint16_t)(entry + 2));
  switch (ov_table_byte((uint16_t)(entry + 1))) {
    case OV_LAMP_ALWAYS: return 1;
    case OV_LAMP_LAYER: return ov_layer_active(argument);
    case OV_LAMP_LOCK: return (uint8_t)((locks >> argument) & 1u);
    case OV_LAMP_NEXT: return ov_next_waits();
    case OV_LAMP_HELD: return (uint8_t)(ov_held_on(argument) != OV_NONE);
    case OV_LAMP_AWAKE: return ov_awake_is_on();
    case OV_LAMP_VALUE: return (uint8_t)(ov_encoder_value(argument) >= ov_table_byte((uint16_t)(entry + 3)));
    default: return 0;
  }
}

void ov_lamps_show(void) {
  uint16_t entry = ov_table_word(OV_AT_LAMP_TABLE);
  uint8_t count = ov_table_byte(OV_AT_LAMPS);
  uint8_t i;
  uint8_t changed = (uint8_t)(ov_layers_changed() | ov_next_changed() | locks_changed | shows_inputs);
  if (!changed) return;
  locks_changed = 0;
  for (i = 0; i < count; i++, entry = (uint16_t)(entry + OV_LAMP_BYTES)) {
    uint8_t on = ov_shows(entry);
    if (told[i] == OFF + on) continue;
    told[i] = (uint8_t)(OFF + on);
    ov_hal_lamp(ov_table_byte(entry), on);
  }
}
