/* A socket for music: the chip's own serial transmitter, at 31,250 bit a second. It holds two bytes itself; what is more waits until it has room,
 * which is looked at while the device waits for its millisecond. */
#include <avr/io.h>

#include "din.h"
#include "ovrin.h"

#if OV_WITH_DIN

#define BIT(n) ((uint8_t)(1u << (n)))
#define PLACES 8u
#define DIVIDER 31u /* 16 MHz by 16 by 32 */

static uint8_t bytes_of[PLACES];
static uint8_t first, waiting;

static void open(void) {
  UBRR1 = DIVIDER;
  UCSR1C = BIT(UCSZ11) | BIT(UCSZ10);
  UCSR1B = BIT(TXEN1);
}

void ov_din_pass(void) {
  while (waiting > 0 && UCSR1A & BIT(UDRE1)) {
    UDR1 = bytes_of[first];
    first = (uint8_t)((uint8_t)(first + 1u) % PLACES);
    waiting--;
  }
}

/* Three in a millisecond leave in time; those that come while the place is full wait for it. */
void ov_hal_din(const uint8_t *bytes, uint8_t length) {
  if (!(UCSR1B & BIT(TXEN1))) open();
  for (; length > 0; length--) {
    while (waiting == PLACES) ov_din_pass();
    bytes_of[(uint8_t)(first + waiting) % PLACES] = *bytes++;
    waiting++;
  }
  ov_din_pass();
}

#endif
