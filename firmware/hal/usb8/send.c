/* Addressable lights on one pin. A bit takes 20 cycles, 1.25 us: it is high for 6 of them (0) or 12 (1). Only while it is high must
 * nothing interrupt; then it may stay low longer, so one waiting interrupt is served after each bit. */
#include <avr/interrupt.h>

#include "access.h"
#include "edges.h"
#include "with.h"

#if OV_WITH_LIGHTS

void ov_pin_send(uint8_t input, uint8_t mask, const uint8_t *bytes, uint16_t length) {
  volatile uint8_t *port = OV_PORT_OF(input) + 2;
  uint8_t flags = SREG;
  uint8_t low = (uint8_t)(*port & ~mask);
  uint8_t high = *port | mask;
  uint8_t byte, bits;
  ov_edges_note();
  __asm__ volatile(
      "1: ld %[byte], %a[bytes]+\n\t"
      "ldi %[bits], 8\n\t"
      "2: cli\n\t"
      "st %a[port], %[high]\n\t" /* it rises; cycles are counted from here */
      "rjmp .+0\n\t"
      "nop\n\t"                  /* 3 */
      "sbrs %[byte], 7\n\t"
      "st %a[port], %[low]\n\t"  /* 6: a 0 falls; with a 1 it is 5 here */
      "sbrc %[byte], 7\n\t"
      "rjmp .+0\n\t"             /* 8 */
      "lsl %[byte]\n\t"
      "dec %[bits]\n\t"
      "st %a[port], %[low]\n\t"  /* 12: a 1 falls */
      "sei\n\t"
      "rjmp .+0\n\t"
      "brne 2b\n\t"              /* 17, and three more until it rises */
      "sbiw %[length], 1\n\t"
      "brne 1b"
      : [bytes] "+z"(bytes), [length] "+w"(length), [byte] "=&r"(byte), [bits] "=&d"(bits)
      : [port] "x"(port), [high] "r"(high), [low] "r"(low)
      : "memory");
  SREG = flags;
  ov_edges_tell();
}

#endif
