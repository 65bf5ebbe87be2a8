/* What live changes keep. In RAM, so that it works on any controller until the power is off, which the host is told. Where
 * yours has 1,024 bytes that outlast the power, read and write those instead: answer OV_KEEP_TAKEN, and say
 * while a byte is still being written. */
#include "ovrin.h"

static uint8_t kept[OV_KEPT_BYTES];
static uint8_t is_blank = 1;

uint8_t ov_hal_kept(uint16_t at) { return is_blank ? OV_NO_SEAL : kept[at]; }

uint8_t ov_hal_keeping(void) { return 0; }

uint8_t ov_hal_keep(uint16_t at, uint8_t byte) {
  uint16_t i;
  for (i = 0; is_blank && i < OV_KEPT_BYTES; i++) kept[i] = OV_NO_SEAL;
  is_blank = 0;
  kept[at] = byte;
  return OV_KEEP_UNTIL_OFF;
}
