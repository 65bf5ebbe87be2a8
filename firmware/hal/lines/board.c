/* Whether the board block can be trusted. */
#include "board.h"
#include "ovrin.h"
#include "parts.h"

static uint16_t crc_of(uint16_t length) {
  uint16_t crc = OV_CRC_START;
  const uint8_t *at = ov_board;
  while (length-- > 0) crc = ov_crc_add(crc, ov_flash_next(&at));
  return crc;
}

/* The last two bytes of the block. */
static uint16_t stated_crc(uint16_t length) {
  const uint8_t *at = ov_board + length - 2;
  uint8_t low = ov_flash_next(&at);
  return (uint16_t)(low | (uint16_t)(ov_flash_next(&at) << 8));
}

static uint8_t belongs_to_tables(void) { return ov_tables_crc() == ov_board_word(OV_BOARD_AT_TABLES_CRC); }

uint8_t ov_board_is_good(void) {
  uint16_t length = ov_board_word(OV_BOARD_AT_LENGTH);
  if (ov_board_byte(0) != OV_BOARD_MARK_0 || ov_board_byte(1) != OV_BOARD_MARK_1) return 0;
  if (ov_board_byte(OV_BOARD_AT_VERSION) != OV_BOARD_VERSION) return 0;
  if (length < OV_BOARD_HEADER_BYTES + 2u || length > OV_MOST_BOARD_BYTES) return 0;
  return crc_of((uint16_t)(length - 2)) == stated_crc(length) && belongs_to_tables();
}
