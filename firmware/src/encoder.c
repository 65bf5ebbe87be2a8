/* Quadrature decoding: felt steps become pulses of the encoder's turn input, as often as its entry says.
 * Bouncing contacts step forth and back and so cancel out: encoders need no debounce time.
 * An encoder is read once a scan, unless the board tells its every edge. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define STATE 0x03
#define UNKNOWN 0x04  /* before it is first seen */
#define BY_EDGES 0x08 /* the board tells it: it is not sampled any more */

static uint8_t *state_of; /* bit 1: A closed, bit 0: B closed; and the flags above */
static int8_t *travel_of; /* quadrature states since the last felt step */
static int8_t *felt_of;   /* felt steps since the last that was told */
static uint8_t *since_of; /* ms since that one */
static uint8_t *went_back; /* whether it was anticlockwise; not among the flags of the state, which an interrupt writes */
static uint8_t *value_of;

/* Steps that were made between two scans: the encoder and, lowest, the direction. Written where edges are told, which may
 * be an interrupt, and taken by the scan; each side moves its own end only. */
static uint8_t steps[OV_EDGE_STEPS];
static volatile uint8_t steps_end, steps_taken;

/* Movement from the old state (high two bits) to the new one (low two): A leads B when turned clockwise.
 * A jump over two states says nothing about the direction and counts as none. */
static const uint8_t movement[16] OV_IN_FLASH = {0, 0xFF, 1, 0, 1, 0, 0, 0xFF, 0xFF, 0, 0, 1, 0, 1, 0xFF, 0};

static uint16_t entry_of(uint8_t encoder) {
  return (uint16_t)(ov_table_word(OV_AT_ENCODER_TABLE) + encoder * OV_ENCODER_BYTES);
}

static uint8_t read_state(uint16_t entry) {
  uint8_t a = ov_sense_low(ov_table_byte(entry));
  uint8_t b = ov_sense_low(ov_table_byte((uint16_t)(entry + 1)));
  return (uint8_t)((a << 1) | b);
}

void ov_encoders_init(void) {
  uint8_t count = ov_table_byte(OV_AT_ENCODERS);
  uint8_t e;
  state_of = ov_arena_take(count);
  travel_of = (int8_t *)ov_arena_take(count);
  felt_of = (int8_t *)ov_arena_take(count);
  since_of = ov_arena_take(count);
  went_back = ov_arena_take(count);
  value_of = ov_arena_take(count);
  for (e = 0; e < count; e++) {
    state_of[e] = UNKNOWN;
    since_of[e] = OV_NONE;
  }
  steps_end = steps_taken = 0;
}

/* Whether that completes a felt step: 1 clockwise, -1 anticlockwise. */
static int8_t move_to(uint8_t e, uint8_t state, uint16_t entry) {
  uint8_t before = state_of[e];
  int8_t travel;
  int8_t states_a_step;
  int8_t told = 0;
  /* Where it rests when the device starts is no movement. */
  if (before & UNKNOWN) state_of[e] = state;
  if ((before & UNKNOWN) || (before & STATE) == state) return 0;
  state_of[e] = (uint8_t)((before & BY_EDGES) | state);
  states_a_step = (int8_t)ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_STATES));
  travel = (int8_t)(travel_of[e] + (int8_t)ov_flash_byte(movement + (uint8_t)(((before & STATE) << 2) | state)));
  if (travel >= states_a_step) told = 1;
  if (travel <= -states_a_step) told = -1;
  /* A full-cycle encoder rests with both contacts open: there, a half-counted step is a missed one. */
  if (told || (state == 0 && states_a_step == 4)) travel = 0;
  travel_of[e] = travel;
  return told;
}

void ov_encoder_edge(uint8_t e, uint8_t state) {
  uint8_t next = (uint8_t)((steps_end + 1u) % OV_EDGE_STEPS);
  int8_t told;
  if (!state_of || e >= ov_table_byte(OV_AT_ENCODERS)) return;
  told = move_to(e, state & STATE, entry_of(e));
  state_of[e] |= BY_EDGES;
  if (!told || next == steps_taken) return;
  steps[steps_end] = (uint8_t)((e << 1) | (told < 0));
  steps_end = next;
}

uint8_t ov_encoder_value(uint8_t e) { return value_of[e]; }

/* Its value as a controller of music: from 0 to 127. */
OV_RARELY static void tell_value(uint8_t e, uint16_t entry, uint8_t top) {
  uint8_t channel = ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_CHANNEL));
  if (channel == OV_NONE || top == 0) return;
  ov_music_tell((uint8_t)(OV_MUSIC_CONTROL | channel), ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_CONTROLLER)),
                (uint8_t)((uint16_t)(value_of[e] * 127u) / top));
}

/* The value that lamps show: from 0 up to its top, where it stays. */
static void count_value(uint8_t e, uint8_t back, uint8_t steps_told, uint16_t entry) {
  uint8_t value = value_of[e], top = ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_TOP));
  if (back) value_of[e] = value > steps_told ? (uint8_t)(value - steps_told) : 0;
  else value_of[e] = top - value > steps_told ? (uint8_t)(value + steps_told) : top;
  ov_radio_changed();
  if (OV_WITH_MUSIC && value_of[e] != value) tell_value(e, entry, top);
}

/* How often a step is told: the sooner it follows one in the same direction, the more often. */
static uint8_t times_of(uint8_t e, uint8_t back, uint16_t entry) {
  uint8_t fast_ms = ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_FAST_MS));
  uint8_t more = (uint8_t)(ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_FAST_TOLD)) - 1u);
  uint8_t since = since_of[e];
  if (since >= fast_ms || went_back[e] != back) return 1;
  return (uint8_t)(1u + (uint16_t)(more * (uint8_t)(fast_ms - since)) / fast_ms);
}

OV_RARELY static void feel(uint8_t e, uint8_t back, uint16_t entry) {
  int8_t felt = (int8_t)(felt_of[e] + (back ? -1 : 1));
  uint8_t told = ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_TOLD));
  felt_of[e] = felt;
  if ((back ? -felt : felt) < ov_table_byte((uint16_t)(entry + OV_ENCODER_AT_FELT))) return;
  felt_of[e] = 0;
  told = (uint8_t)(told * times_of(e, back, entry));
  went_back[e] = back;
  since_of[e] = 0;
  count_value(e, back, told, entry);
  ov_pulse(e, back, told);
}

static void step(uint8_t e, uint8_t back, uint16_t entry) {
  ov_link_step(e, back);
  if (!ov_is_far) feel(e, back, entry);
}

#if OV_WITH_LINK
void ov_encoder_told(uint8_t e, uint8_t back) { feel(e, back, entry_of(e)); }
void ov_encoder_show(uint8_t e, uint8_t value) { value_of[e] = value; }
#endif

static void take_steps(void) {
  while (steps_taken != steps_end) {
    uint8_t e = steps[steps_taken] >> 1;
    step(e, steps[steps_taken] & 1u, entry_of(e));
    steps_taken = (uint8_t)((steps_taken + 1u) % OV_EDGE_STEPS);
  }
}

static void sample(uint8_t e, uint16_t entry) {
  int8_t told;
  if (state_of[e] & BY_EDGES) return;
  told = move_to(e, read_state(entry), entry);
  if (told) step(e, told < 0, entry);
}

void ov_encoders_sample(uint8_t elapsed_ms) {
  uint8_t count = ov_table_byte(OV_AT_ENCODERS);
  uint8_t e = ov_part_first(OV_PART_AT_ENCODERS), end = ov_part_end(OV_PART_AT_ENCODERS, count);
  uint16_t entry = entry_of(e);
  for (e = 0; e < count; e++) since_of[e] = elapsed_ms < OV_NONE - since_of[e] ? (uint8_t)(since_of[e] + elapsed_ms) : OV_NONE;
  take_steps();
  for (e = ov_part_first(OV_PART_AT_ENCODERS); e < end; e++, entry = (uint16_t)(entry + OV_ENCODER_BYTES)) sample(e, entry);
}
