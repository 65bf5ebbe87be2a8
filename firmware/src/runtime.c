/* One scan of the device, in order: live changes, switches, encoders, axes, what waits, pulses, macros, the pointer, lamps, displays, lights, reports, the socket, the radio, the pad port; the other part behind switches, and last.
 * A scan in which lights are sent does nothing else. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t ready;
static uint8_t is_displays_turn; /* this scan works out no axis, so that a display can be written */

/* The parts that keep two-byte things take theirs first, so that those lie even. */
OV_RARELY static void start(void) {
  if (OV_WITH_DISPLAYS) is_displays_turn = 0;
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
  ov_place_init();
  ov_system_init();
  ov_pad_init();
  ov_panel_init();
  ov_lines_init();
  ov_segments_init();
  ov_displays_init();
  ov_music_init();
  ov_din_init();
  ov_radio_init();
  ov_plug_init();
  ov_link_init();
  ov_reports_init();
  if (OV_WITH_LIVE) ov_live_init();
}

uint8_t ov_init(void) {
  uint8_t state = ov_tables_state();
  ready = 0;
  if (state != OV_START_READY) return state;
  if (ov_arena_need() > ov_arena_bytes) return OV_START_NO_ROOM;
  ov_link_open();
  start();
  ready = 1;
  return OV_START_READY;
}

/* It speaks with the computer now, or no longer: all begins anew but for its own contacts, and a computer that was told is told of it. */
OV_RARELY static void start_anew(void) {
  uint8_t closed[OV_MOST_OWN_CONTACTS / 8];
  ov_link_keep(closed);
  start();
  if (OV_WITH_LINK && ov_link_is_set_up()) ov_reports_untold();
  ov_debounce_pass(0);
  ov_link_found(closed);
}

/* While a display waits, every second scan is its own. */
static uint8_t works_out_axes(void) {
  if (OV_WITH_DISPLAYS) is_displays_turn = (uint8_t)(ov_displays_wait() && !is_displays_turn);
  if (OV_WITH_DISPLAYS && is_displays_turn) return 0;
  return (uint8_t)(ov_debounce_told() <= OV_MOST_CHANGES_BEFORE_AXES);
}

/* Segment displays leave scans that have much to tell, or in which lamps look at all that the computer told. Those of dots, which take longer, leave
 * all scans that have anything to tell, and those in which segments are told something. */
static void show(void) {
  uint8_t told = ov_debounce_told(), is_fresh = ov_panel_fresh();
  uint8_t is_crowded = (uint8_t)(is_fresh || told > OV_MOST_CHANGES_BEFORE_AXES);
  uint8_t is_sent = ov_segments_play(is_crowded);
  ov_displays_play((uint8_t)(is_fresh || told > 0 || is_sent), (uint8_t)(ov_axes_there() == 0 || is_displays_turn));
}

void ov_scan(uint8_t elapsed_ms) {
  if (!ready) return;
  if (OV_WITH_LINK && ov_link_pass(elapsed_ms)) start_anew();
  elapsed_ms = ov_lights_pass(elapsed_ms);
  if (elapsed_ms == 0) return;
  if (OV_WITH_LIVE) ov_live_pass(elapsed_ms);
  ov_debounce_pass(elapsed_ms);
  ov_waiting_pass(elapsed_ms);
  ov_scan_switches();
  ov_link_take();
  ov_encoders_sample(elapsed_ms);
  if (OV_WITH_AXES && works_out_axes()) ov_axes_sense();
  ov_waiting_play();
  ov_pulses_play(elapsed_ms);
  ov_macros_play(elapsed_ms);
  ov_movers_play(elapsed_ms);
  ov_axes_play(elapsed_ms);
  ov_awake_play(elapsed_ms);
  ov_lamps_pass(elapsed_ms);
  ov_lamps_show();
  show();
  ov_lights_play();
  ov_reports_send();
  if (OV_WITH_DIN) ov_din_play((uint8_t)(ov_debounce_told() > OV_MOST_CHANGES_BEFORE_AXES));
  if (OV_WITH_RADIO) ov_radio_play(elapsed_ms, (uint8_t)(ov_debounce_told() > OV_MOST_CHANGES_BEFORE_AXES));
  ov_plug_play();
  ov_link_play();
}
