/* 16-line expanders of the usual 28-terminal class on one two-wire bus (register numbers from memory): every line is an
 * input with its pull-up, read as two bytes. */
#include "access.h"
#include "board.h"
#include "lines.h"

#define ADDRESS 0x20
#define PULL_UPS 0x0C
#define LEVELS 0x12

/* Entry: how many, first remote byte, addresses. */

void ov_expanders_open(const uint8_t *entry) {
  static const uint8_t all_pulled_up[3] = {PULL_UPS, 0xFF, 0xFF};
  const uint8_t *at = entry;
  uint8_t count = ov_flash_next(&at);
  at++;
  while (count-- > 0) ov_bus_write((uint8_t)(ADDRESS | ov_flash_next(&at)), all_pulled_up, 3);
}

void ov_expanders_catch(const uint8_t *entry, uint8_t *remote) {
  const uint8_t *at = entry;
  uint8_t count = ov_flash_next(&at);
  uint8_t *to = remote + ov_flash_next(&at);
  for (; count > 0; count--, to += 2) ov_bus_read((uint8_t)(ADDRESS | ov_flash_next(&at)), LEVELS, to, 2);
}
