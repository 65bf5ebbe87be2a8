/* The registry of reports: a new one is its own file, its entry in the contract, and a line in each switch here. */
#include "ovrin.h"
#include "parts.h"

uint8_t ov_report_length(uint8_t kind) {
  return kind == OV_REPORT_KEYBOARD ? OV_KEYBOARD_BYTES : OV_CONSUMER_BYTES;
}

uint8_t ov_report_sending(uint8_t kind) {
  return kind == OV_REPORT_KEYBOARD ? OV_KEYBOARD_SENDING : OV_CONSUMER_SENDING;
}

uint8_t ov_report_build(uint8_t kind, uint8_t *bytes) {
  if (kind == OV_REPORT_KEYBOARD) ov_keyboard_build(bytes);
  else ov_consumer_build(bytes);
  return 1;
}

/* Told of sums and queues only, which then forget what was sent; reports of a state have nothing to forget. */
void ov_report_taken(uint8_t kind) { (void)kind; }
