/* The finished image of the 8-bit USB class: runtime, pins and USB. The board block and the tables, at fixed places in
 * flash, make it one device. When either is missing, torn or of another version it stays off the bus. */
#include <avr/io.h>

#include "board.h"
#include "din.h"
#include "edges.h"
#include "partline.h"
#include "ovrin.h"
#include "usb.h"

#define TICKS_A_MS 250u /* 16 MHz by 64 */

uint16_t ov_arena[OV_DEVICE_ARENA_BYTES / 2];
const uint16_t ov_arena_bytes = sizeof ov_arena;

/* What a loader left switched on must not interrupt. */
static void quiet_interrupts(void) {
  USBCON = 0;
  UDIEN = EIMSK = PCICR = 0;
  TIMSK0 = TIMSK1 = TIMSK3 = TIMSK4 = 0;
}

static void start_chip(void) {
  quiet_interrupts();
  CLKPR = 0x80;
  CLKPR = 0;
  MCUCR = 0x80; /* twice: a factory chip keeps four pins of port F for its debugger */
  MCUCR = 0x80;
  TCCR3B = 0x03;
}

/* Milliseconds that have passed; at least one is waited for. The bus is looked at once even when no time is left for it, so that a
 * device that has too much to do still answers. */
static uint8_t passed_ms(uint16_t *since) {
  uint8_t ms = 0;
  do {
    ov_usb_poll();
    ov_din_pass();
    ov_line_pass();
  } while ((uint16_t)(TCNT3 - *since) < TICKS_A_MS);
  while ((uint16_t)(TCNT3 - *since) >= TICKS_A_MS) {
    *since = (uint16_t)(*since + TICKS_A_MS);
    ms++;
  }
  return ms;
}

int main(void) {
  uint16_t since;
  start_chip();
  if (!ov_board_is_good()) for (;;) {}
  ov_lines_start();
  if (ov_init() != OV_START_READY || !ov_lines_open()) for (;;) {}
  ov_edges_open();
  ov_line_open();
  ov_usb_attach();
  since = TCNT3;
  for (;;) {
    uint8_t ms = passed_ms(&since);
    GPIOR0 = ms; /* for who looks on from outside: a scan begins, and is over */
    ov_scan(ms);
    ov_usb_pass(ms);
    ov_lines_show();
    GPIOR0 = 0;
  }
}
