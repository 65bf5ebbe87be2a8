/* The pins of the 8-bit USB class. A pin is the address of its port's input register, whose direction lies one above and
 * whose level two, and a mask. */
#ifndef OV_ACCESS_H
#define OV_ACCESS_H

#include <avr/io.h>
#include <stdint.h>

#define OV_PORT_OF(input) ((volatile uint8_t *)(uint16_t)(input))

static inline uint8_t ov_pin_is_high(uint8_t input, uint8_t mask) { return *OV_PORT_OF(input) & mask; }
static inline void ov_pin_set(uint8_t input, uint8_t mask) { OV_PORT_OF(input)[2] |= mask; }
static inline void ov_pin_clear(uint8_t input, uint8_t mask) { OV_PORT_OF(input)[2] &= (uint8_t)~mask; }
static inline void ov_pin_turn(uint8_t input, uint8_t mask) { OV_PORT_OF(input)[2] ^= mask; }

/* access.c */
void ov_pin_drive(uint8_t input, uint8_t mask, uint8_t high);
void ov_pin_let_go(uint8_t input, uint8_t mask, uint8_t pull_up); /* an input, with its pull-up or without */
void ov_pin_send(uint8_t input, uint8_t mask, const uint8_t *bytes, uint16_t length); /* to addressable lights */
void ov_pin_tone(uint8_t input, uint8_t mask, uint16_t half); /* a square wave of so many half microseconds up and down; 0: low */
uint16_t ov_convert(uint8_t channel);                             /* the voltage as parts of 65536 of the supply */
void ov_convert_begin(uint8_t channel);
uint16_t ov_convert_end(void); /* of the one begun last */
void ov_bus_open(const uint8_t *entry); /* clock and data pin, and 8000 by the clock in kHz, less 8 */
void ov_bus_write(uint8_t address, const uint8_t *bytes, uint8_t count);
void ov_bus_read(uint8_t address, uint8_t reg, uint8_t *bytes, uint8_t count);

/* All ports at one time. */
static inline void ov_ports_catch(uint8_t *levels) {
  levels[0] = PINB;
  levels[1] = PINC;
  levels[2] = PIND;
  levels[3] = PINE;
  levels[4] = PINF;
}

static inline uint8_t ov_level_of(const uint8_t *levels, uint8_t at, uint8_t mask) { return levels[at] & mask; }

#endif
