/* What is left to you where there is a radio: hand it these bytes over the serial bus, with its select and enable pins (pins.h names
 * them), and do not wait; 0 while it is still busy with the packet before. What comes back on its acknowledgement goes to ov_radio_answered,
 * between two scans. Until you fill it in, no packet leaves and all else works. Local rules say which frequencies and powers may be used. */
#include "ovrin.h"

#if OV_WITH_RADIO

uint8_t ov_hal_radio(const uint8_t *bytes, uint8_t length) {
  (void)bytes; (void)length;
  return 1;
}

#endif
