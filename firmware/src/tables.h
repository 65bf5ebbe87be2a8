/* The device's tables: one block of bytes, the same for every target, written by the design program.
 * Multi-byte values are little endian. The header's places are the OV_AT_ values. */
#ifndef OV_TABLES_H
#define OV_TABLES_H

#include <stdint.h>

#define OV_TABLE_VERSION 1
#define OV_HEADER_BYTES 26

#define OV_AT_VERSION 2
#define OV_AT_SWITCHES 3
#define OV_AT_ENCODERS 4
#define OV_AT_LAMPS 5
#define OV_AT_LAYERS 6
#define OV_AT_GROUPS 7
#define OV_AT_BANKS 8
#define OV_AT_DEBOUNCE_MS 9
#define OV_AT_SETTLE_US 10
#define OV_AT_TAP_MS 11
#define OV_AT_GROUP_TABLE 12   /* each: strobe line or OV_NONE, bank, 16 switch numbers or OV_NONE */
#define OV_AT_ENCODER_TABLE 14 /* each: sense line of A, of B, quadrature states a step */
#define OV_AT_LAMP_TABLE 16    /* each: lamp line, OV_LAMP_ kind, argument */
#define OV_AT_ACTION_TABLE 18  /* layer by layer, input by input: kind, modifiers, value (2 bytes) */
#define OV_AT_BANK_TABLE 20    /* each: 1 when the bank is read with no strobe (direct switches, encoders) */
#define OV_AT_LENGTH 22

#define OV_GROUP_BYTES 18
#define OV_ENCODER_BYTES 3
#define OV_LAMP_BYTES 3
#define OV_ACTION_BYTES 4

#define OV_DO_PASS 0       /* as on the layer beneath */
#define OV_DO_NOTHING 1
#define OV_DO_KEYBOARD 2   /* a usage of the keyboard page, with modifiers */
#define OV_DO_CONSUMER 3   /* a usage of the consumer page */
#define OV_FIRST_MODIFIER 0xE0 /* usages from here on are modifiers, not keys of the report */
#define OV_DO_HOLD_LAYER 4
#define OV_DO_STAY_LAYER 5

#define OV_LAMP_NEVER 0
#define OV_LAMP_ALWAYS 1
#define OV_LAMP_LAYER 2
#define OV_LAMP_LOCK 3

#if defined(__AVR__)
extern const uint8_t ov_tables[];
/* Tables stay in flash: an ordinary load would look for them in RAM. */
static inline uint8_t ov_table_byte(uint16_t at) {
  uint8_t value;
  __asm__("lpm %0, Z" : "=r"(value) : "z"(ov_tables + at));
  return value;
}
#define OV_IN_FLASH __attribute__((section(".progmem.data")))
#else
#ifdef OV_TABLES_ARE_LOADED
extern uint8_t ov_tables[];
#else
extern const uint8_t ov_tables[];
#endif
static inline uint8_t ov_table_byte(uint16_t at) { return ov_tables[at]; }
#define OV_IN_FLASH
#endif

static inline uint16_t ov_table_word(uint16_t at) {
  return (uint16_t)(ov_table_byte(at) | (uint16_t)(ov_table_byte((uint16_t)(at + 1)) << 8));
}

#endif
