/* Banks of resistors on one line, powered one at a time. Of each bank one rung is told: that whose window the voltage lies
 * in; the windows reach halfway to their neighbours and are worked out by the design program. */
#include "access.h"
#include "board.h"
#include "lines.h"
#include "ovrin.h"

/* Entry of a bank: converter channel, settling time in us, top pin (0: always powered), first remote byte, rungs, and the
 * lower ends of their windows as parts of 65536. */

/* @param told the rung, or any higher number when none is pressed */
static void tell(uint8_t *to, uint8_t rungs, uint8_t told) {
  uint8_t i;
  for (i = 0; i < (uint8_t)((rungs + 7u) >> 3); i++) to[i] = 0xFF;
  if (told < rungs) to[told >> 3] = (uint8_t)~(1u << (told & 7u));
}

/* How many windows begin at or below a reading: the rung, counted from 1; 0 for none. */
static uint8_t windows_below(const uint8_t **at, uint8_t rungs, uint16_t reading) {
  uint8_t below = 0;
  for (; rungs > 0; rungs--) {
    uint16_t edge = ov_flash_next(at);
    edge = (uint16_t)(edge | (uint16_t)(ov_flash_next(at) << 8));
    if (reading >= edge) below++;
  }
  return below;
}

static uint16_t read_powered(uint8_t top, uint8_t mask, uint8_t channel, uint8_t settle_us) {
  uint16_t reading;
  if (top == 0) return ov_convert(channel);
  ov_pin_drive(top, mask, 1);
  ov_hal_settle(settle_us);
  reading = ov_convert(channel);
  ov_pin_let_go(top, mask, 0);
  return reading;
}

void ov_ladder_catch(const uint8_t *entry, uint8_t *remote) {
  const uint8_t *at = entry;
  uint8_t channel = ov_flash_next(&at);
  uint8_t settle_us = ov_flash_next(&at);
  uint8_t top = ov_flash_next(&at);
  uint8_t mask = ov_flash_next(&at);
  uint8_t *to = remote + ov_flash_next(&at);
  uint8_t rungs = ov_flash_next(&at);
  uint16_t reading = read_powered(top, mask, channel, settle_us);
  tell(to, rungs, (uint8_t)(windows_below(&at, rungs, reading) - 1));
}
