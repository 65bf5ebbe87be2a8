/* Lamps show a state of the device: a layer, a lock of the host's, or simply that it runs. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t locks;
static uint8_t lit[OV_MAX_LAMPS];

void ov_lamps_init(void) {
  uint8_t i;
  locks = 0;
  for (i = 0; i < OV_MAX_LAMPS; i++) lit[i] = 0;
}

void ov_host_locks(uint8_t value) { locks = value; }

static uint8_t wanted(uint16_t entry) {
  uint8_t argument = ov_table_byte((uint16_t)(entry + 2));
  switch (ov_table_byte((uint16_t)(entry + 1))) {
    case OV_LAMP_ALWAYS: return 1;
    case OV_LAMP_LAYER: return ov_layer_active(argument);
    case OV_LAMP_LOCK: return (uint8_t)((locks >> argument) & 1u);
    default: return 0;
  }
}

void ov_lamps_show(void) {
  uint16_t entry = ov_table_word(OV_AT_LAMP_TABLE);
  uint8_t count = ov_table_byte(OV_AT_LAMPS);
  uint8_t i;
  for (i = 0; i < count; i++, entry = (uint16_t)(entry + OV_LAMP_BYTES)) {
    uint8_t on = wanted(entry);
    if (on == lit[i]) continue;
    lit[i] = on;
    ov_hal_lamp(ov_table_byte(entry), on);
  }
}
