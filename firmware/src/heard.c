/* Notes and controllers that the computer plays to the device tell a panel: a note its flag, as long as it sounds, a controller its value.
 * Each event is a packet of four bytes (USB Device Class Definition for MIDI Devices 1.0, section 4). */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_HEARD && OV_WITH_PANEL

enum { KIND, STATUS, FIRST, SECOND };

/* All notes off: dark is what notes light. */
static void hear_silence(void) {
  uint8_t flag;
  for (flag = 0; flag < OV_PANEL_FLAGS; flag++) ov_panel_set_flag(flag, 0);
}

static void hear_controller(uint8_t controller, uint8_t to) {
  uint8_t nth = (uint8_t)(controller - ov_table_byte(OV_AT_HEARD_CONTROLLER));
  if (controller == OV_MUSIC_ALL_OFF) hear_silence();
  else if (nth < OV_PANEL_VALUES) ov_panel_set_value(nth, (uint8_t)((to << 1) | (to >> 6)));
}

void ov_music_heard(const uint8_t *event) {
  uint8_t channel = ov_heard_there(), kind = event[STATUS] & 0xF0u, flag;
  if (!channel || event[STATUS] != (uint8_t)(kind | (uint8_t)(channel - 1u))) return;
  /* On the first cable, and of the kind that its status is. */
  if (event[KIND] != kind >> 4 || ((event[FIRST] | event[SECOND]) & 0x80u)) return;
  if (kind == OV_MUSIC_CONTROL) {
    hear_controller(event[FIRST], event[SECOND]);
    return;
  }
  flag = (uint8_t)(event[FIRST] - ov_table_byte(OV_AT_HEARD_NOTE));
  if ((kind != OV_MUSIC_ON && kind != OV_MUSIC_OFF) || flag >= OV_PANEL_FLAGS) return;
  ov_panel_set_flag(flag, (uint8_t)(kind == OV_MUSIC_ON && event[SECOND]));
}

#else

void ov_music_heard(const uint8_t *event) { (void)event; }

#endif
