/* port.h filled in for a simulated board: every call goes to a function that the harness sets. */
#ifndef OV_PORT_H
#define OV_PORT_H

#include <stdint.h>

#include "ovrin.h"

struct port_calls {
  void (*input)(uint8_t pin, uint8_t pull_up);
  void (*output)(uint8_t pin, uint8_t high);
  void (*write)(uint8_t pin, uint8_t high);
  uint8_t (*read)(uint8_t pin);
  uint16_t (*convert)(uint8_t pin);
  void (*bus_open)(uint8_t clock_pin, uint8_t data_pin, uint16_t khz);
  void (*bus_write)(uint8_t address, const uint8_t *bytes, uint8_t count);
  void (*bus_read)(uint8_t address, uint8_t reg, uint8_t *bytes, uint8_t count);
  void (*lights)(uint8_t pin, const uint8_t *bytes, uint16_t length);
  void (*tone)(uint8_t pin, uint16_t hz);
  void (*din)(const uint8_t *bytes, uint8_t length);
  uint8_t (*radio)(const uint8_t *bytes, uint8_t length);
  uint8_t (*report)(uint8_t kind, const uint8_t *bytes, uint8_t length);
};
extern struct port_calls port_calls;

static inline void port_start(void) {}
static inline uint8_t port_passed_ms(void) { return 1; }
static inline void port_input(uint8_t pin, uint8_t pull_up) { port_calls.input(pin, pull_up); }
static inline void port_output(uint8_t pin, uint8_t high) { port_calls.output(pin, high); }
static inline void port_write(uint8_t pin, uint8_t high) { port_calls.write(pin, high); }
static inline uint8_t port_read(uint8_t pin) { return port_calls.read(pin); }
static inline void port_wait_us(uint8_t us) { (void)us; }
static inline uint16_t port_convert(uint8_t pin) { return port_calls.convert(pin); }
static inline void port_bus_open(uint8_t clock_pin, uint8_t data_pin, uint16_t khz) { port_calls.bus_open(clock_pin, data_pin, khz); }
static inline void port_bus_write(uint8_t address, const uint8_t *bytes, uint8_t count) { port_calls.bus_write(address, bytes, count); }
static inline void port_bus_read(uint8_t address, uint8_t reg, uint8_t *bytes, uint8_t count) {
  port_calls.bus_read(address, reg, bytes, count);
}
static inline void port_lights(uint8_t pin, const uint8_t *bytes, uint16_t length) { port_calls.lights(pin, bytes, length); }
static inline void port_tone(uint8_t pin, uint16_t hz) { port_calls.tone(pin, hz); }
static inline void port_din(const uint8_t *bytes, uint8_t length) { port_calls.din(bytes, length); }
static inline uint8_t port_radio(const uint8_t *bytes, uint8_t length) { return port_calls.radio(bytes, length); }
static inline uint8_t port_report(uint8_t kind, const uint8_t *bytes, uint8_t length) { return port_calls.report(kind, bytes, length); }

#endif
