/* A serial port over USB (CDC 1.2): three endpoints, of which only the one from the computer ever carries something. */
#include "serial.h"

#include <avr/io.h>

#include "board.h"
#include "ovrin.h"

#if OV_HAS_SERIAL

#define BIT(n) ((uint8_t)(1u << (n)))

/* Type and direction, then size in one bank and that it is given memory. */
enum { INTERRUPT_IN = 0xC1, BULK_OUT = 0x80, BULK_IN = 0x81, OF_8 = 0x02, OF_64 = 0x32 };

uint8_t ov_serial_coding[OV_CODING_BYTES] = {0x80, 0x25, 0, 0, 0, 0, 8}; /* 9,600 bit a second, until it is told */

static uint8_t first(void) { return ov_board_byte(OV_BOARD_AT_SERIAL); }

static void set_up(uint8_t endpoint, uint8_t kind, uint8_t size) {
  UENUM = endpoint;
  UECONX = BIT(EPEN);
  UECFG0X = kind;
  UECFG1X = size;
}

void ov_serial_open(void) {
  uint8_t endpoint = first();
  if (!endpoint) return;
  set_up(endpoint, INTERRUPT_IN, OF_8);
  set_up((uint8_t)(endpoint + 1u), BULK_OUT, OF_64);
  set_up((uint8_t)(endpoint + 2u), BULK_IN, OF_64);
}

void ov_serial_pass(void) {
  uint8_t endpoint = first();
  if (!endpoint) return;
  UENUM = (uint8_t)(endpoint + 1u);
  if (!(UEINTX & BIT(RXOUTI))) return;
  if (UEBCLX) ov_line_byte(UEDATX);
  if (!UEBCLX) UEINTX = (uint8_t)~(BIT(RXOUTI) | BIT(FIFOCON));
}

uint8_t ov_serial_is_out(uint8_t endpoint) { return first() && endpoint == (uint8_t)(first() + 1u); }

uint8_t ov_serial_is_at(uint8_t interface) {
  return first() && interface == ov_board_byte(OV_BOARD_AT_SERIAL + 1);
}

#endif
