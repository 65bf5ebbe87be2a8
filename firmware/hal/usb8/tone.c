/* The square wave of a sounder, on any pin: a timer's interrupt sets its level. There is one such timer, so one sounds at a time. */
#include <avr/interrupt.h>
#include <avr/io.h>

#include "access.h"
#include "with.h"

#if OV_WITH_TONE

#define BIT(n) ((uint8_t)(1u << (n)))

static volatile uint8_t *level; /* its port's levels */
static uint8_t own, is_high;

/* The level is set, not turned: when a scan writes the same port at this very instant and undoes it, the next edge is right again. */
ISR(TIMER1_COMPA_vect) {
  is_high ^= own;
  *level = (uint8_t)((*level & (uint8_t)~own) | is_high);
}

void ov_pin_tone(uint8_t input, uint8_t mask, uint16_t half) {
  TIMSK1 = 0;
  ov_pin_drive(input, mask, half > 0);
  if (half == 0) return;
  level = OV_PORT_OF(input) + 2;
  own = is_high = mask;
  TCCR1A = 0;
  TCCR1B = BIT(WGM12) | BIT(CS11); /* from 0 to where it compares, 16 MHz by 8 */
  OCR1A = (uint16_t)(half - 1u);
  TCNT1 = 0;
  TIFR1 = BIT(OCF1A);
  TIMSK1 = BIT(OCIE1A);
  sei();
}

#endif
