/* Pins, converter and two-wire bus of the 8-bit USB class. Registers from memory, held against the simulated chip. */
#include <avr/interrupt.h>

#include "access.h"
#include "board.h"
#include "partline.h"

#include "ovrin.h"

#define BIT(n) ((uint8_t)(1u << (n)))

void ov_pin_drive(uint8_t input, uint8_t mask, uint8_t high) {
  if (high) OV_PORT_OF(input)[2] |= mask;
  else OV_PORT_OF(input)[2] &= (uint8_t)~mask;
  OV_PORT_OF(input)[1] |= mask;
}

/* Never high on the way: first it lets go, then the pull-up comes. */
void ov_pin_let_go(uint8_t input, uint8_t mask, uint8_t pull_up) {
  OV_PORT_OF(input)[1] &= (uint8_t)~mask;
  if (pull_up) OV_PORT_OF(input)[2] |= mask;
  else OV_PORT_OF(input)[2] &= (uint8_t)~mask;
}

/* One turn of the loop takes four cycles, a quarter of a microsecond. */
void ov_hal_settle(uint8_t us) {
  uint16_t loops = (uint16_t)(us * 4u);
  if (loops == 0) return;
  __asm__ volatile("1: sbiw %0, 1\n\tbrne 1b" : "+w"(loops));
}

/* Against the supply, ten bits put to the top; 16 MHz by 128 gives the converter 125 kHz. Channels from 8 on have their
 * fifth bit in another register. */
static void start_converter(uint8_t channel) {
  ADMUX = (uint8_t)(BIT(REFS0) | BIT(ADLAR) | (channel & 7u));
  ADCSRB = channel & 8u ? BIT(MUX5) : 0;
  ADCSRA = BIT(ADEN) | BIT(ADSC) | 7;
}

static uint8_t is_begun;
static uint16_t converted;

/* Nearly always the converter has long been ready. */
static void end_begun(void) {
  if (!is_begun) return;
  while (ADCSRA & BIT(ADSC)) {}
  converted = ADC;
  is_begun = 0;
}

void ov_convert_begin(uint8_t channel) {
  end_begun();
  start_converter(channel);
  is_begun = 1;
}

uint16_t ov_convert_end(void) {
  end_begun();
  return converted;
}

uint16_t ov_convert(uint8_t channel) {
  end_begun();
  start_converter(channel);
  while (ADCSRA & BIT(ADSC)) {}
  return ADC;
}

/* 16 MHz / (16 + 2 x TWBR). The bus has pins of its own, so of its entry only the clock is looked at, which stands behind them. */
void ov_bus_open(const uint8_t *entry) {
  const uint8_t *at = entry + 4;
  TWSR = 0;
  TWBR = ov_flash_next(&at);
  TWCR = BIT(TWEN);
}

#define MOST_WAITING 2000u /* turns of the loop: many times what a byte takes, so that a missing part holds up nothing */

/* Starts what the control bits say and waits for it. */
static void bus_step(uint8_t control) {
  uint16_t left = MOST_WAITING;
  TWCR = (uint8_t)(BIT(TWINT) | BIT(TWEN) | control);
  while (!(TWCR & BIT(TWINT)) && --left > 0) {}
}

static void bus_send(uint8_t byte) {
  TWDR = byte;
  bus_step(0);
}

static void bus_begin(uint8_t address, uint8_t reading) {
  uint16_t left = MOST_WAITING;
  ov_parts_wait();
  while ((TWCR & BIT(TWSTO)) && --left > 0) {} /* the end of what was before */
  bus_step(BIT(TWSTA));
  bus_send((uint8_t)((address << 1) | reading));
}

static void bus_end(void) { TWCR = BIT(TWINT) | BIT(TWEN) | BIT(TWSTO); }

void ov_bus_write(uint8_t address, const uint8_t *bytes, uint8_t count) {
  bus_begin(address, 0);
  while (count-- > 0) bus_send(*bytes++);
  bus_end();
}

void ov_bus_read(uint8_t address, uint8_t reg, uint8_t *bytes, uint8_t count) {
  bus_begin(address, 0);
  bus_send(reg);
  bus_begin(address, 1);
  while (count-- > 0) {
    bus_step(count > 0 ? BIT(TWEA) : 0);
    *bytes++ = TWDR;
  }
  bus_end();
}

/* EEPROM. Reading stops the core for four cycles, and waits while a byte is being written (about 3.4 ms). */
uint8_t ov_hal_kept(uint16_t at) {
  while (EECR & BIT(EEPE)) {}
  EEAR = at;
  EECR = BIT(EERE);
  return EEDR;
}

uint8_t ov_hal_keeping(void) { return EECR & BIT(EEPE); }

/* The two bits must follow each other within four cycles, so that nothing may interrupt there. */
uint8_t ov_hal_keep(uint16_t at, uint8_t byte) {
  uint8_t flags = SREG;
  EEAR = at;
  EEDR = byte;
  cli();
  EECR = BIT(EEMPE);
  EECR |= BIT(EEPE);
  SREG = flags;
  return OV_KEEP_TAKEN;
}
