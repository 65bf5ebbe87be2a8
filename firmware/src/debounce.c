/* Two schools, by switch. Deferred: a change counts once every scan for the debounce time has seen it, so that a spike
 * on a long wire is no keystroke. Eager: a change counts at once, and what follows within the time does not. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* A switch's state: closed or not as it counts; whether an eager one is locked out; and the ms its time still runs. */
#define CLOSED 0x80
#define LOCKED 0x40
#define LEFT_MS 0x3F

static uint8_t *state_of;
static uint16_t switch_table;
static uint8_t busy; /* switches whose time runs */
static uint8_t elapsed;
static uint8_t starting; /* 1 during the first scan */
static uint8_t room;     /* for changes that this scan may still tell: the others are told in the next one */

static uint8_t entry_of(uint8_t sw) { return ov_table_byte((uint16_t)(switch_table + OV_SWITCH_BYTES * sw)); }

void ov_debounce_init(void) {
  state_of = ov_arena_take(ov_table_byte(OV_AT_SWITCHES));
  switch_table = ov_table_word(OV_AT_SWITCH_TABLE);
  busy = 0;
  starting = 2;
}

void ov_debounce_pass(uint8_t elapsed_ms) {
  elapsed = elapsed_ms;
  if (starting > 0) starting--;
  room = starting > 0 ? OV_NONE : OV_MOST_CHANGES_A_SCAN;
}

uint8_t ov_debounce_busy(void) { return busy; }

uint8_t ov_debounce_told(void) { return (uint8_t)(starting > 0 ? 0 : OV_MOST_CHANGES_A_SCAN - room); }

uint8_t ov_switch_closed(uint8_t sw) { return (uint8_t)(state_of && (state_of[sw] & CLOSED) != 0); }

static void count(uint8_t sw, uint8_t closed, uint8_t entry) {
  room--;
  state_of[sw] = closed ? CLOSED : 0;
  ov_radio_changed();
  ov_plug_changed();
  if (ov_is_far) ov_held_set(sw, closed ? OV_ON_SILENT : OV_NONE); /* lamps show it, no report does */
  else if (!(entry & OV_SWITCH_FLIPS)) ov_input_changed(sw, closed);
  else if (starting) ov_switch_found_closed(sw);
  else ov_switch_flipped(sw, closed);
}

/* A change that is seen for the first time. */
static uint8_t begin(uint8_t sw, uint8_t closed) {
  uint8_t entry = entry_of(sw);
  uint8_t ms = entry & OV_SWITCH_DEBOUNCE_MS;
  uint8_t at_once = (uint8_t)((entry & OV_SWITCH_EAGER) || ms == 0 || (starting && (entry & OV_SWITCH_FLIPS)));
  if (at_once && room == 0) return 1;
  if (at_once) count(sw, closed, entry);
  if (ms == 0 || (at_once && !(entry & OV_SWITCH_EAGER))) return 0;
  state_of[sw] = (uint8_t)(state_of[sw] | (at_once ? LOCKED : 0) | ms);
  busy++;
  return ms;
}

uint8_t ov_debounce(uint8_t sw, uint8_t closed) {
  uint8_t state = state_of[sw];
  uint8_t differs = (uint8_t)(((state & CLOSED) != 0) != (closed != 0));
  uint8_t left = state & LEFT_MS;
  if (left == 0) return differs ? begin(sw, closed) : 0;
  if (left > elapsed && (differs || (state & LOCKED))) {
    state_of[sw] = (uint8_t)(state - elapsed);
    return left;
  }
  if (differs && room == 0) {
    state_of[sw] = (uint8_t)((state & ~LEFT_MS) | 1u);
    return 1;
  }
  busy--;
  state_of[sw] = state & CLOSED;
  if (!differs) return 0;
  if (state & LOCKED) return begin(sw, closed);
  count(sw, closed, entry_of(sw));
  return 0;
}

#if OV_WITH_LINK
/* Settled over there. A switch that stays where it is put is not turned back by a broken line. */
uint8_t ov_switch_told(uint8_t sw, uint8_t closed, uint8_t how) {
  uint8_t flips = entry_of(sw) & OV_SWITCH_FLIPS;
  if (ov_switch_closed(sw) == closed || (flips && how == OV_TOLD_LOST)) return 1;
  if (room == 0) return 0;
  if (flips && how == OV_TOLD_FIRST && !ov_is_far) {
    state_of[sw] = closed ? CLOSED : 0;
    if (closed) ov_switch_found_closed(sw);
  } else count(sw, closed, entry_of(sw));
  return 1;
}
#endif
