/* What the line drivers ask, told by port.h. */
#include "access.h"

#include "ovrin.h"
#include "port.h"

static uint8_t driven_high[256 / 8]; /* by pin: what it was set to last */

static void write(uint8_t pin, uint8_t high) {
  uint8_t bit = (uint8_t)(1u << (pin & 7u));
  if (high) driven_high[pin >> 3] |= bit;
  else driven_high[pin >> 3] &= (uint8_t)~bit;
}

uint8_t ov_pin_is_high(uint8_t pin, uint8_t unused) { (void)unused; return port_read(pin); }

void ov_pin_set(uint8_t pin, uint8_t unused) {
  (void)unused;
  write(pin, 1);
  port_write(pin, 1);
}

void ov_pin_clear(uint8_t pin, uint8_t unused) {
  (void)unused;
  write(pin, 0);
  port_write(pin, 0);
}

void ov_pin_turn(uint8_t pin, uint8_t unused) {
  if ((driven_high[pin >> 3] >> (pin & 7u)) & 1u) ov_pin_clear(pin, unused);
  else ov_pin_set(pin, unused);
}

void ov_pin_drive(uint8_t pin, uint8_t unused, uint8_t high) {
  (void)unused;
  write(pin, high);
  port_output(pin, high);
}

void ov_pin_let_go(uint8_t pin, uint8_t unused, uint8_t pull_up) { (void)unused; port_input(pin, pull_up); }

void ov_pin_send(uint8_t pin, uint8_t unused, const uint8_t *bytes, uint16_t length) {
  (void)unused;
  port_lights(pin, bytes, length);
}

/* A wave's half takes so many half microseconds. */
void ov_pin_tone(uint8_t pin, uint8_t unused, uint16_t half) {
  (void)unused;
  port_tone(pin, half > 0 ? (uint16_t)((1000000UL + half / 2u) / half) : 0);
}

uint16_t ov_convert(uint8_t pin) { return port_convert(pin); }

/* Read at once, told when it is asked for: so all boards are as quick to tell. */
static uint16_t converted;
void ov_convert_begin(uint8_t pin) { converted = port_convert(pin); }
uint16_t ov_convert_end(void) { return converted; }

void ov_bus_open(const uint8_t *entry) { port_bus_open(ov_flash_byte(entry), ov_flash_byte(entry + 2), (uint16_t)(8000u / (ov_flash_byte(entry + 4) + 8u))); }

void ov_bus_write(uint8_t address, const uint8_t *bytes, uint8_t count) { port_bus_write(address, bytes, count); }

void ov_bus_read(uint8_t address, uint8_t reg, uint8_t *bytes, uint8_t count) { port_bus_read(address, reg, bytes, count); }

/* The first place stands for all pins, and the mask is then the pin's number. */
uint8_t ov_level_of(const uint8_t *levels, uint8_t at, uint8_t mask) {
  return at == 0 ? port_read(mask) : (uint8_t)(levels[at] & mask);
}

void ov_hal_settle(uint8_t us) { port_wait_us(us); }

uint8_t ov_hal_radio(const uint8_t *bytes, uint8_t length) { return port_radio(bytes, length); }

#if OV_WITH_LINK
#ifndef OV_PART
#define OV_PART 0
#endif
uint8_t ov_hal_part(void) { return OV_PART; }
void ov_hal_link(const uint8_t *bytes, uint8_t length) { port_link(bytes, length); }
#endif

#if OV_WITH_BUS
uint8_t ov_hal_calls(void) { return port_calls(); }
void ov_hal_ask(uint8_t part) { port_ask(part); }
void ov_hal_call(void) { port_call(); }
#endif

void ov_hal_din(const uint8_t *bytes, uint8_t length) { port_din(bytes, length); }

uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length) { return port_report(kind, bytes, length); }
