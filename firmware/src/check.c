/* Whether the tables can be trusted: blank, torn or of another version, they leave the device quiet. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* CRC-16, polynomial 0x1021, start 0xFFFF: "123456789" gives 0x29B1. */
static uint16_t crc_of(uint16_t length) {
  uint16_t crc = 0xFFFF;
  uint16_t at;
  uint8_t bit;
  for (at = 0; at < length; at++) {
    crc = (uint16_t)(crc ^ ((uint16_t)ov_table_byte(at) << 8));
    for (bit = 0; bit < 8; bit++) {
      uint8_t top = (uint8_t)(crc >> 15);
      crc = (uint16_t)(crc << 1);
      if (top) crc ^= 0x1021u;
    }
  }
  return crc;
}

uint8_t ov_tables_state(void) {
  uint16_t length = ov_table_word(OV_AT_LENGTH);
  if (ov_table_byte(OV_AT_MARK) != OV_MARK_0 || ov_table_byte(OV_AT_MARK + 1) != OV_MARK_1) return OV_START_NO_TABLES;
  if (ov_table_byte(OV_AT_VERSION) != OV_TABLE_VERSION) return OV_START_OTHER_VERSION;
  if (length < OV_HEADER_BYTES + 2 || length > OV_MOST_TABLE_BYTES) return OV_START_TORN;
  if (crc_of((uint16_t)(length - 2)) != ov_table_word((uint16_t)(length - 2))) return OV_START_TORN;
  return OV_START_READY;
}
