/* What the computer tells a panel: flags that lamps and lights show, and values. It stays until the computer tells something else, or
 * the bus is reset. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_PANEL

static uint8_t *told;
static uint8_t changed, fresh;

uint8_t ov_panel_bytes(void) { return (uint8_t)(ov_report_declared(OV_REPORT_PANEL) || ov_lines_there() || ov_heard_there() ? OV_PANEL_BYTES : 0); }

void ov_panel_init(void) {
  told = ov_arena_take(ov_panel_bytes());
  fresh = 0;
}

void ov_panel_forget(void) {
  uint8_t i;
  for (i = 0; i < ov_panel_bytes(); i++) {
    if (told[i]) fresh = 1;
    told[i] = 0;
  }
  changed = 1;
}

#if OV_WITH_LINK
uint8_t *ov_panel_told(void) { return told; }
#endif

/* Whoever asks for the place is about to write there. */
uint8_t *ov_panel_place(void) {
  changed = 1;
  fresh = (uint8_t)(ov_panel_bytes() > 0);
  return told && ov_panel_bytes() ? told : 0;
}

void ov_panel_set_flag(uint8_t flag, uint8_t on) {
  uint8_t *byte = ov_panel_place() + (flag >> 3), bit = ov_flash_byte(ov_bits + (flag & 7u));
  if (on) *byte |= bit;
  else *byte &= (uint8_t)~bit;
}

void ov_panel_set_value(uint8_t nth, uint8_t to) { ov_panel_place()[OV_PANEL_VALUES_AT + nth] = to; }

uint8_t ov_panel_changed(void) {
  uint8_t was = changed;
  changed = 0;
  return was;
}

uint8_t ov_panel_fresh(void) {
  uint8_t was = fresh;
  fresh = 0;
  return was;
}

uint8_t ov_panel_flag(uint8_t flag) {
  return (uint8_t)(ov_panel_bytes() && (told[(flag >> 3) & 7u] & ov_flash_byte(ov_bits + (flag & 7u))) != 0);
}

uint8_t ov_panel_value(uint8_t nth) {
  return (uint8_t)(ov_panel_bytes() && nth < OV_PANEL_VALUES ? told[OV_PANEL_VALUES_AT + nth] : 0);
}

#else

uint8_t *ov_panel_place(void) { return 0; }

#endif
