/* Pins by number, as port.h drives them: a pin is its number and an unused byte. */
#ifndef OV_ACCESS_H
#define OV_ACCESS_H

#include <stdint.h>

#include "board.h"

/* access.c */
uint8_t ov_pin_is_high(uint8_t pin, uint8_t unused);
void ov_pin_set(uint8_t pin, uint8_t unused);
void ov_pin_clear(uint8_t pin, uint8_t unused);
void ov_pin_turn(uint8_t pin, uint8_t unused);
void ov_pin_drive(uint8_t pin, uint8_t unused, uint8_t high);
void ov_pin_let_go(uint8_t pin, uint8_t unused, uint8_t pull_up);
void ov_pin_send(uint8_t pin, uint8_t unused, const uint8_t *bytes, uint16_t length);
void ov_pin_tone(uint8_t pin, uint8_t unused, uint16_t half);
uint16_t ov_convert(uint8_t pin);
void ov_convert_begin(uint8_t pin);
uint16_t ov_convert_end(void);
void ov_bus_open(const uint8_t *entry); /* clock and data pin, and 8000 by the clock in kHz, less 8 */
void ov_bus_write(uint8_t address, const uint8_t *bytes, uint8_t count);
void ov_bus_read(uint8_t address, uint8_t reg, uint8_t *bytes, uint8_t count);
uint8_t ov_level_of(const uint8_t *levels, uint8_t at, uint8_t mask);

/* Ports are not read at one time here, but pin by pin when they are asked for. */
static inline void ov_ports_catch(const uint8_t *levels) { (void)levels; }

#endif
