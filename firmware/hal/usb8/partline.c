/* The line to the device's other part: the chip's own serial controller, at 250,000 bit a second. Bytes that come are noted by an interrupt, which
 * is as short as that of a knob's edge, and handed over between two scans; those of a frame that leaves are fetched by another. */
#include <avr/interrupt.h>
#include <avr/io.h>

#include "board.h"
#include "partline.h"
#include "ovrin.h"

#if OV_WITH_LINK && !OV_WITH_BUS

#define BIT(n) ((uint8_t)(1u << (n)))
#define DIVIDER (16000000ul / 16u / OV_LINK_BITS_A_SECOND - 1u)
static uint8_t going[OV_LINK_MOST + OV_LINK_AROUND];
static volatile uint8_t going_at, going_end;

ISR(USART1_RX_vect) { ov_line_came(UDR1); }

ISR(USART1_UDRE_vect) {
  uint8_t at = going_at;
  UDR1 = going[at];
  going_at = ++at;
  if (at == going_end) UCSR1B &= (uint8_t)~BIT(UDRIE1);
}

void ov_line_open(void) {
  UCSR1A = 0;
  UBRR1 = DIVIDER;
  UCSR1C = BIT(UCSZ11) | BIT(UCSZ10);
  UCSR1B = BIT(RXCIE1) | BIT(RXEN1) | BIT(TXEN1);
  sei();
}

uint8_t ov_hal_part(void) { return ov_board_byte(OV_BOARD_AT_PART); }

/* A scan that was late may end sooner behind the one before it than a frame takes: then its last bytes are waited for. */
void ov_hal_link(const uint8_t *bytes, uint8_t length) {
  uint8_t at;
  while (UCSR1B & BIT(UDRIE1)) {}
  for (at = 0; at < length; at++) going[at] = bytes[at];
  going_at = 0;
  going_end = length;
  UCSR1B |= BIT(UDRIE1);
}

#endif
