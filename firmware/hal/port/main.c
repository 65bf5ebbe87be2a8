/* A device on any controller: what is left to its builder stands in port.h. */
#include "board.h"
#include "ovrin.h"
#include "port.h"

uint16_t ov_arena[OV_DEVICE_ARENA_BYTES / 2];
const uint16_t ov_arena_bytes = sizeof ov_arena;

uint8_t ov_device_start(void) {
  if (!ov_board_is_good()) return 0;
  ov_lines_start();
  return (uint8_t)(ov_init() == OV_START_READY && ov_lines_open());
}

void ov_device_pass(uint8_t ms) {
  ov_scan(ms);
  ov_lines_show();
}

#ifndef OV_NO_MAIN
int main(void) {
  port_start();
  if (!ov_device_start()) for (;;) {}
  for (;;) {
    uint8_t ms = port_passed_ms();
    if (ms > 0) ov_device_pass(ms);
  }
}
#endif
