/* The board block in flash, read byte by byte: where a design's pins, parts, endpoints and descriptors are. */
#ifndef OV_BOARD_H
#define OV_BOARD_H

#include <stdint.h>

#include "contract.h"
#include "tables.h"

extern const uint8_t ov_board[];

#if defined(__AVR__)
/* Reads on: the place moves to the next byte. */
static inline uint8_t ov_flash_next(const uint8_t **at) {
  uint8_t value;
  const uint8_t *place = *at;
  __asm__("lpm %0, Z+" : "=r"(value), "+z"(place));
  *at = place;
  return value;
}
#else
static inline uint8_t ov_flash_next(const uint8_t **at) { return *(*at)++; }
#endif

static inline uint8_t ov_board_byte(uint8_t field) { return ov_flash_byte(ov_board + field); }
static inline uint16_t ov_board_word(uint8_t field) {
  return (uint16_t)(ov_board_byte(field) | (uint16_t)(ov_board_byte((uint8_t)(field + 1)) << 8));
}
static inline const uint8_t *ov_board_table(uint8_t field) { return ov_board + ov_board_word(field); }

/* board.c: whether the block is whole, of this version, and belongs to the tables */
uint8_t ov_board_is_good(void);

/* lines.c: before ov_init, after it, and after each scan */
void ov_lines_start(void);
uint8_t ov_lines_open(void); /* 0: no room for what is read remotely */
void ov_lines_show(void);    /* what changed on output registers, and the next lamp of a pair */

#endif
