/* The device's tables: one block of bytes, the same for every target, written by the design program as contract.h says. */
#ifndef OV_TABLES_H
#define OV_TABLES_H

#include <stdint.h>

#include "contract.h"

#ifdef __cplusplus
extern "C" {
#endif

#if defined(__AVR__)
extern const uint8_t ov_tables[];
/* Tables stay in flash: an ordinary load would look for them in RAM. */
static inline uint8_t ov_table_byte(uint16_t at) {
  uint8_t value;
  __asm__("lpm %0, Z" : "=r"(value) : "z"(ov_tables + at));
  return value;
}
/* Four bytes, the lowest first. */
static inline uint32_t ov_table_long(uint16_t at) {
  uint32_t value;
  const uint8_t *place = ov_tables + at;
  __asm__("lpm %A0, Z+\n\tlpm %B0, Z+\n\tlpm %C0, Z+\n\tlpm %D0, Z" : "=&r"(value), "+z"(place));
  return value;
}
#define OV_IN_FLASH __attribute__((section(".progmem.data")))
static inline uint8_t ov_flash_byte(const uint8_t *at) {
  uint8_t value;
  __asm__("lpm %0, Z" : "=r"(value) : "z"(at));
  return value;
}
#else
#ifdef OV_TABLES_ARE_LOADED
extern uint8_t ov_tables[];
#else
extern const uint8_t ov_tables[];
#endif
static inline uint8_t ov_table_byte(uint16_t at) { return ov_tables[at]; }
/* Four bytes, the lowest first. */
static inline uint32_t ov_table_long(uint16_t at) {
  return ov_tables[at] | (uint32_t)ov_tables[at + 1] << 8 | (uint32_t)ov_tables[at + 2] << 16 | (uint32_t)ov_tables[at + 3] << 24;
}
#define OV_IN_FLASH
static inline uint8_t ov_flash_byte(const uint8_t *at) { return *at; }
#endif

static inline uint16_t ov_table_word(uint16_t at) {
  return (uint16_t)(ov_table_byte(at) | (uint16_t)(ov_table_byte((uint16_t)(at + 1)) << 8));
}

#ifdef __cplusplus
}
#endif

#endif
