/* One millisecond of the device, in order: switches, encoders, lamps, reports. */
#include "ovrin.h"
#include "parts.h"

void ov_init(void) {
  ov_scan_init();
  ov_debounce_init();
  ov_encoders_init();
  ov_layers_init();
  ov_keymap_init();
  ov_lamps_init();
  ov_reports_init();
}

void ov_scan(void) {
  ov_scan_switches();
  ov_encoders_sample();
  ov_encoders_play();
  ov_lamps_show();
  ov_reports_send();
}
