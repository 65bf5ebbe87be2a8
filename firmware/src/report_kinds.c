/* The registry of reports: a new one is its own file, its entry in the contract, and a line in each switch here. */
#include "ovrin.h"
#include "parts.h"

uint8_t ov_report_length(uint8_t kind) {
  switch (kind) {
    case OV_REPORT_KEYBOARD: return ov_keyboard_length();
    case OV_REPORT_CONSUMER: return OV_CONSUMER_BYTES;
    case OV_REPORT_POINTER: return OV_POINTER_BYTES;
    case OV_REPORT_SYSTEM: return OV_SYSTEM_BYTES;
    case OV_REPORT_PAD: return ov_pad_length();
    case OV_REPORT_PLACE: return OV_PLACE_BYTES;
    default: return 0; /* live changes and the panel are asked for and told, music is as long as it has to say */
  }
}

uint8_t ov_report_sending(uint8_t kind) {
  switch (kind) {
    case OV_REPORT_KEYBOARD: return OV_KEYBOARD_SENDING;
    case OV_REPORT_CONSUMER: return OV_CONSUMER_SENDING;
    case OV_REPORT_POINTER: return OV_POINTER_SENDING;
    case OV_REPORT_SYSTEM: return OV_SYSTEM_SENDING;
    case OV_REPORT_PAD: return OV_PAD_SENDING;
    case OV_REPORT_MUSIC: return OV_MUSIC_SENDING;
    case OV_REPORT_PLACE: return OV_PLACE_SENDING;
    default: return OV_LIVE_SENDING;
  }
}

uint8_t ov_report_build(uint8_t kind, uint8_t *bytes) {
  switch (kind) {
    case OV_REPORT_KEYBOARD: ov_keyboard_build(bytes); break;
    case OV_REPORT_CONSUMER: ov_consumer_build(bytes); break;
    case OV_REPORT_POINTER: return ov_pointer_build(bytes) ? OV_POINTER_BYTES : 0;
    case OV_REPORT_SYSTEM: ov_system_build(bytes); break;
    case OV_REPORT_PAD: ov_pad_build(bytes); break;
    case OV_REPORT_MUSIC: return ov_music_build(bytes);
    case OV_REPORT_PLACE: return ov_place_build(bytes) ? OV_PLACE_BYTES : 0;
    default: return 0; /* live changes are asked for: nothing is ever sent */
  }
  return ov_report_length(kind);
}

/* Told of sums and queues only, which then forget what was sent; reports of a state have nothing to forget. */
void ov_report_taken(uint8_t kind) {
  if (kind == OV_REPORT_POINTER) ov_pointer_taken();
  if (kind == OV_REPORT_MUSIC) ov_music_taken();
  if (kind == OV_REPORT_PLACE) ov_place_forget();
}

/* Whether a queue has more to say than went into its report. */
uint8_t ov_report_has_more(uint8_t kind) { return (uint8_t)(kind == OV_REPORT_MUSIC && ov_music_waits()); }

void ov_report_forget(uint8_t kind) {
  if (kind == OV_REPORT_POINTER) ov_pointer_forget();
  if (kind == OV_REPORT_MUSIC) ov_music_forget();
  if (kind == OV_REPORT_PLACE) ov_place_forget();
}

uint8_t ov_report_is_movement(uint8_t kind, const uint8_t *bytes) {
  return (uint8_t)(kind == OV_REPORT_PLACE || (kind == OV_REPORT_POINTER && bytes[0] == 0));
}
