/* One scan of the device, in order: live changes, switches, encoders, axes, what waits, pulses, macros, the pointer, lamps, segments, lights, reports.
 * A scan in which lights are sent does nothing else. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t ready;

/* The parts that keep two-byte things take theirs first, so that those lie even. */
OV_RARELY static uint8_t start(void) {
  uint8_t state = ov_tables_state();
  ready = 0;
  if (state != OV_START_READY) return state;
  if (ov_arena_need() > ov_arena_bytes) return OV_START_NO_ROOM;
  ov_arena_open();
  ov_scan_init();
  ov_pulses_init();
  ov_waiting_times_init();
  ov_movers_times_init();
  ov_axes_init();
  ov_settling_init();
  ov_debounce_init();
  ov_actions_init();
  ov_changes_init();
  ov_held_init();
  ov_encoders_init();
  ov_layers_init();
  ov_waiting_init();
  ov_together_init();
  ov_opposites_init();
  ov_next_init();
  ov_macros_init();
  ov_lamps_init();
  ov_glows_init();
  ov_lights_init();
  ov_movers_init();
  ov_awake_init();
  ov_keyboard_init();
  ov_consumer_init();
  ov_pointer_init();
  ov_system_init();
  ov_pad_init();
  ov_panel_init();
  ov_segments_init();
  ov_music_init();
  ov_reports_init();
  if (OV_WITH_LIVE) ov_live_init();
  ready = 1;
  return OV_START_READY;
}

uint8_t ov_init(void) { return start(); }

void ov_scan(uint8_t elapsed_ms) {
  if (!ready) return;
  elapsed_ms = ov_lights_pass(elapsed_ms);
  if (elapsed_ms == 0) return;
  if (OV_WITH_LIVE) ov_live_pass(elapsed_ms);
  ov_debounce_pass(elapsed_ms);
  ov_waiting_pass(elapsed_ms);
  ov_scan_switches();
  ov_encoders_sample(elapsed_ms);
  if (OV_WITH_AXES && ov_debounce_told() <= OV_MOST_CHANGES_BEFORE_AXES) ov_axes_sense();
  ov_waiting_play();
  ov_pulses_play(elapsed_ms);
  ov_macros_play(elapsed_ms);
  ov_movers_play(elapsed_ms);
  ov_axes_play(elapsed_ms);
  ov_awake_play(elapsed_ms);
  ov_lamps_pass(elapsed_ms);
  ov_lamps_show();
  ov_segments_play();
  ov_lights_play();
  ov_reports_send();
}
