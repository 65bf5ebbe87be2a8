/* Lamps show a state of the device: a layer, a lock of the host's, something that waits for the next key, an input that is held,
 * that it keeps the computer awake, how far a value is, a flag that the computer sets, or simply that it runs. They are lit steadily or in pulses, and
 * dimmed by being lit in some of eight milliseconds only. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* Of each lamp: what it was told last (nothing yet, off, on), where its pattern is, and ticks until that changes. In the first
 * scan every lamp is told, so that none starts lit. */
#define STATE_BYTES 3
#define TOLD 0
#define WHERE 1
#define LEFT 2
#define OFF 1

/* Of where it is: the state was there when it was looked at last, and the pattern is in a pulse; beneath, the pulses that are left. */
#define WAS 0x80u
#define IN_PULSE 0x40u
#define PULSES 0x3Fu

#define EIGHTHS 8u

uint8_t ov_asleep;
static uint8_t locks, locks_changed;
static uint8_t changes_by_itself; /* some lamp shows what does, or is seen so: all are looked at in every scan */
static uint8_t *states;
static uint8_t tick_ms, ticks; /* towards the next tick, and how many there have been since the last scan */
static uint8_t eighth; /* the millisecond, of eight */

static uint8_t of(uint16_t entry, uint8_t field) { return ov_table_byte((uint16_t)(entry + field)); }

void ov_lamps_init(void) {
  uint16_t entry = ov_table_word(OV_AT_LAMP_TABLE);
  uint8_t i;
  states = ov_arena_take((uint16_t)(STATE_BYTES * ov_table_byte(OV_AT_LAMPS)));
  ov_asleep = locks = changes_by_itself = tick_ms = eighth = 0;
  locks_changed = 1;
  for (i = 0; i < ov_table_byte(OV_AT_LAMPS); i++, entry = (uint16_t)(entry + OV_LAMP_BYTES)) {
    if (of(entry, OV_LAMP_AT_KIND) >= OV_LAMP_HELD && of(entry, OV_LAMP_AT_KIND) != OV_LAMP_TOLD) changes_by_itself = 1;
    if (of(entry, OV_LAMP_AT_ON) > 0 || of(entry, OV_LAMP_AT_EIGHTHS) < EIGHTHS) changes_by_itself = 1;
  }
}

void ov_host_locks(uint8_t value) {
  locks = value;
  locks_changed = 1;
}

void ov_lamps_sleep(uint8_t sleeps) {
  ov_asleep = sleeps;
  locks_changed = 1;
}

void ov_host_sleeps(uint8_t sleeps) {
  ov_link_sleeps(sleeps);
  ov_lamps_sleep(sleeps);
}

#if OV_WITH_LINK
uint8_t ov_lamps_shown(void) { return (uint8_t)((locks & OV_LINK_SHOWN_LOCKS) | (ov_asleep ? OV_LINK_SHOWN_ASLEEP : 0)); }
#endif

uint8_t ov_value_of(uint8_t nth) {
  uint8_t encoders = ov_table_byte(OV_AT_ENCODERS);
  if (!OV_WITH_AXES && !OV_WITH_PANEL) return ov_encoder_value(nth);
  if (nth < encoders) return ov_encoder_value(nth);
  nth = (uint8_t)(nth - encoders);
  if (OV_WITH_AXES) {
    uint8_t axes = ov_table_byte(OV_AT_SENSORS);
    if (nth < axes) return ov_axis_value(nth);
    nth = (uint8_t)(nth - axes);
  }
  return ov_panel_value(nth);
}

uint8_t ov_shows(uint16_t entry) {
  uint8_t argument = of(entry, OV_LAMP_AT_ARGUMENT);
  switch (of(entry, OV_LAMP_AT_KIND)) {
    case OV_LAMP_ALWAYS: return 1;
    case OV_LAMP_LAYER: return ov_layer_active(argument);
    case OV_LAMP_LOCK: return (uint8_t)((locks >> argument) & 1u);
    case OV_LAMP_NEXT: return (uint8_t)(ov_next_waits() || (ov_link_shown() & OV_LINK_SHOWN_NEXT));
    case OV_LAMP_HELD: return (uint8_t)(ov_held_on(argument) != OV_NONE);
    case OV_LAMP_AWAKE: return (uint8_t)(ov_awake_is_on() || (ov_link_shown() & OV_LINK_SHOWN_AWAKE));
    case OV_LAMP_TOLD: return ov_panel_flag(argument);
    case OV_LAMP_VALUE: return (uint8_t)(ov_value_of(argument) >= of(entry, OV_LAMP_AT_FROM));
    default: return 0;
  }
}

/* Ticks that pass: from a pulse into the pause behind it and back, until no pulses are left. */
static void pass_ticks(uint8_t *state, uint16_t entry) {
  uint8_t passing = ticks;
  while (passing >= state[LEFT] && state[LEFT] > 0) {
    passing = (uint8_t)(passing - state[LEFT]);
    state[WHERE] ^= IN_PULSE;
    if (state[WHERE] & IN_PULSE) {
      state[LEFT] = of(entry, OV_LAMP_AT_ON);
    } else {
      if (of(entry, OV_LAMP_AT_TIMES) > 0) state[WHERE]--;
      state[LEFT] = of(entry, OV_LAMP_AT_TIMES) > 0 && !(state[WHERE] & PULSES) ? 0 : of(entry, OV_LAMP_AT_OFF);
    }
  }
  if (state[LEFT] > 0) state[LEFT] = (uint8_t)(state[LEFT] - passing);
}

/* A pattern begins with its state. One of so many pulses goes to its end even when the state is over. */
OV_RARELY static uint8_t in_pattern(uint8_t *state, uint16_t entry, uint8_t is_there) {
  uint8_t times = of(entry, OV_LAMP_AT_TIMES);
  if (is_there && !(state[WHERE] & WAS)) {
    state[WHERE] = (uint8_t)(WAS | IN_PULSE | times);
    state[LEFT] = of(entry, OV_LAMP_AT_ON);
  } else {
    if (!is_there) state[WHERE] &= (uint8_t)~WAS;
    if (!is_there && times == 0) state[WHERE] = state[LEFT] = 0;
    pass_ticks(state, entry);
  }
  return (uint8_t)((state[WHERE] & IN_PULSE) != 0);
}

void ov_lamps_pass(uint8_t elapsed_ms) {
  eighth = (uint8_t)((eighth + elapsed_ms) & (EIGHTHS - 1u));
  for (ticks = 0; elapsed_ms >= OV_LAMP_TICK_MS - tick_ms; ticks++) {
    elapsed_ms = (uint8_t)(elapsed_ms - (OV_LAMP_TICK_MS - tick_ms));
    tick_ms = 0;
  }
  tick_ms = (uint8_t)(tick_ms + elapsed_ms);
}

void ov_lamps_show(void) {
  uint16_t entry = ov_table_word(OV_AT_LAMP_TABLE);
  uint8_t *state = states;
  uint8_t left;
  uint8_t changed = (uint8_t)(ov_layers_changed() | ov_next_changed() | ov_panel_changed() | locks_changed | changes_by_itself);
  if (!changed) return;
  locks_changed = 0;
  for (left = ov_table_byte(OV_AT_LAMPS); left > 0; left--, entry = (uint16_t)(entry + OV_LAMP_BYTES), state += STATE_BYTES) {
    uint8_t on = ov_shows(entry);
    if (of(entry, OV_LAMP_AT_ON) > 0) on = in_pattern(state, entry, on);
    if (ov_asleep || eighth >= of(entry, OV_LAMP_AT_EIGHTHS)) on = 0;
    if (state[TOLD] == OFF + on) continue;
    state[TOLD] = (uint8_t)(OFF + on);
    ov_hal_lamp(of(entry, OV_LAMP_AT_LINE), on);
  }
}
