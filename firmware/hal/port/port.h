/* What is left to you: your controller's own calls, a dozen of them. Everything else is done.
 *
 * USB is the larger part of it: declare one interface for each descriptor of pins.h (that of music is two whole interfaces with
 * a bulk endpoint), hand reports over in port_report, call ov_host_locks when the keyboard's output report comes, ov_host_reset
 * after a bus reset, and ov_host_sleeps when the bus is suspended and when it runs again (all in ovrin.h); for what the computer tells a panel, put the 16 bytes of its interface's output report to ov_panel_place, each byte of lines that come over a serial port to ov_line_byte, and each packet that the computer plays to ov_music_heard, between two scans; for
 * a serial pad port, let its latch and clock lines interrupt and put on its data line what ov_plug_latched and ov_plug_clocked answer; for
 * live changes, join the feature report of their interface to ov_live_place, ov_live_asked and ov_live_frame. */
#ifndef OV_PORT_H
#define OV_PORT_H

#include <stdint.h>

#include "ovrin.h"

/* PINS: a generated list comes here. */

/* Once, before anything else: clocks, USB, the millisecond. */
static inline void port_start(void) {}

/* Milliseconds since the last call: 0 while none has passed, more than 1 when a scan came late. */
static inline uint8_t port_passed_ms(void) { return 1; }

/* Makes a pin an input, with its pull-up or without. */
static inline void port_input(uint8_t pin, uint8_t pull_up) { (void)pin; (void)pull_up; }

/* Makes a pin an output; set its level before its direction. */
static inline void port_output(uint8_t pin, uint8_t high) { (void)pin; (void)high; }

/* Changes the level of a pin that is an output. */
static inline void port_write(uint8_t pin, uint8_t high) { (void)pin; (void)high; }

/* Whether a pin that is an input is high. */
static inline uint8_t port_read(uint8_t pin) { (void)pin; return 1; }

/* Waits; at most 255 microseconds. */
static inline void port_wait_us(uint8_t us) { (void)us; }

/* Sends addressable lights their bytes over a pin, the highest bit of each first: 1.25 us a bit, of which the pin is high for about a
 * third (0) or two thirds (1). Between two bits it may stay low a few microseconds longer, so interrupts can be served. */
static inline void port_lights(uint8_t pin, const uint8_t *bytes, uint16_t length) { (void)pin; (void)bytes; (void)length; }

/* Begins a square wave on a pin, so many times a second, which goes on by itself; 0 ends it, and the pin is low. Asked of sounders that want a
 * tone only. */
static inline void port_tone(uint8_t pin, uint16_t hz) { (void)pin; (void)hz; }

/* The voltage on a pin as parts of 65536 of the supply: ten bits are shifted up by six. Asked of resistor ladders, sticks,
 * pots and levers only. */
static inline uint16_t port_convert(uint8_t pin) { (void)pin; return 0; }

/* Hands a radio its packet, framed as it is: starts to send these bytes, and does not wait; 0 while it is still busy with the one before. What
 * comes back on its acknowledgement goes to ov_radio_answered, between two scans. Asked of devices with a radio only. */
static inline uint8_t port_radio(const uint8_t *bytes, uint8_t length) { (void)bytes; (void)length; return 1; }

/* Puts bytes, three at most, on the wire of a socket for music: a serial transmitter at 31,250 bit a second, eight bits, no parity, one stop bit, on
 * the pin of pins.h. Starts to send, and does not wait: its buffer or its interrupt takes them. Asked of devices with such a socket only. */
static inline void port_din(const uint8_t *bytes, uint8_t length) { (void)bytes; (void)length; }

/* Puts a frame on the line to the device's other part: a serial transmitter at OV_LINK_BITS_A_SECOND, eight bits, no parity, one stop bit, on the pin
 * of pins.h. Starts to send, and does not wait: its buffer or its interrupt takes all of them. Each byte that comes over the receiver goes to
 * ov_link_byte, between two scans; and ov_host_configured is told when a computer has set this part up, or no longer. Asked of devices of
 * several parts only. */
static inline void port_link(const uint8_t *bytes, uint8_t length) { (void)bytes; (void)length; }

/* Modules on a bus: the main part (OV_PART 0) writes the frame above to the general call (address 0); a module keeps it for when it is asked, and answers to
 * OV_LINK_BUS_ADDRESS and its number. The main part tells which modules pull their lines, a bit each by their numbers (of a shared line all that are on
 * it), and asks one: start, and do not wait; what it says, up to its first zero, goes to ov_link_byte between two scans. A module pulls its line, an open
 * drain, until it was read. Asked of devices with such modules only. */
static inline uint8_t port_calls(void) { return 0; }
static inline void port_ask(uint8_t part) { (void)part; }
static inline void port_call(void) {}

/* The two-wire bus: opened once; a start, the address with its write bit, the bytes, a stop; and for reading the
 * register's number first, then a start again and the bytes. Asked of expanders and displays only. */
static inline void port_bus_open(uint8_t clock_pin, uint8_t data_pin, uint16_t khz) { (void)clock_pin; (void)data_pin; (void)khz; }
static inline void port_bus_write(uint8_t address, const uint8_t *bytes, uint8_t count) { (void)address; (void)bytes; (void)count; }
static inline void port_bus_read(uint8_t address, uint8_t reg, uint8_t *bytes, uint8_t count) {
  (void)address; (void)reg; (void)bytes; (void)count;
}

/* Puts a report (OV_REPORT_KEYBOARD and so on) on its interface's endpoint; 0 when that is still busy. Never wait. Where pins.h gives a
 * report a number (OV_NUMBER_SYSTEM and so on), several stand on one interface: that number goes in front of its bytes. While the computer
 * sleeps, one of which ov_report_is_movement is true is taken and forgotten, so that it wakes nobody. */
static inline uint8_t port_report(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  (void)kind; (void)bytes; (void)length;
  return 1;
}

#endif
