/* Bytes that come from the device's other part, or a module, are noted by an interrupt and handed over between two scans. */
#include "partline.h"
#include "ovrin.h"

#if OV_WITH_LINK

#define PLACES 64u /* what comes in two and a half milliseconds of a serial line, one and a half of a bus */

static volatile uint8_t came[PLACES];
static volatile uint8_t came_end;
static uint8_t came_first;

/* Where there is no place it is lost, and its frame is no good. */
void ov_line_came(uint8_t byte) {
  uint8_t next = (uint8_t)((uint8_t)(came_end + 1u) % PLACES);
  came[came_end] = byte;
  if (next != came_first) came_end = next;
}

void ov_line_pass(void) {
  while (came_first != came_end) {
    uint8_t byte = came[came_first];
    came_first = (uint8_t)((uint8_t)(came_first + 1u) % PLACES);
    ov_link_byte(byte);
  }
}

#endif
