/* Quadrature decoding: each step becomes a pulse of the encoder's turn input.
 * Bouncing contacts step forth and back and so cancel out: encoders need no debounce time.
 * An encoder is read once a scan, unless the board tells its every edge. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define STATE 0x03
#define UNKNOWN 0x04  /* before it is first seen */
#define BY_EDGES 0x08 /* the board tells it: it is not sampled any more */

static uint8_t *state_of; /* bit 1: A closed, bit 0: B closed; and the flags above */
static int8_t *travel_of; /* quadrature states since the last step */

/* Steps that were made between two scans: the encoder and, lowest, the direction. Written where edges are told, which may
 * be an interrupt, and taken by the scan; each side moves its own end only. */
static uint8_t steps[OV_EDGE_STEPS];
static volatile uint8_t steps_end, steps_taken;

/* Movement from the old state (high two bits) to the new one (low two): A leads B when turned clockwise.
 * A jump over two states says nothing about the direction and counts as none. */
static const int8_t movement[16] = {0, -1, 1, 0, 1, 0, 0, -1, -1, 0, 0, 1, 0, 1, -1, 0};

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
  for (e = 0; e < count; e++) state_of[e] = UNKNOWN;
  steps_end = steps_taken = 0;
}

/* Whether that completes a step: 1 clockwise, -1 anticlockwise. */
static int8_t move_to(uint8_t e, uint8_t state, uint16_t entry) {
  uint8_t before = state_of[e];
  int8_t travel;
  int8_t states_a_step;
  int8_t told = 0;
  /* Where it rests when the device starts is no movement. */
  if (before & UNKNOWN) state_of[e] = state;
  if ((before & UNKNOWN) || (before & STATE) == state) return 0;
  state_of[e] = (uint8_t)((before & BY_EDGES) | state);
  states_a_step = (int8_t)ov_table_byte((uint16_t)(entry + 2));
  travel = (int8_t)(travel_of[e] + movement[(uint8_t)(((before & STATE) << 2) | state)]);
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

static void take_steps(void) {
  while (steps_taken != steps_end) {
    ov_pulse(steps[steps_taken] >> 1, steps[steps_taken] & 1u);
    steps_taken = (uint8_t)((steps_taken + 1u) % OV_EDGE_STEPS);
  }
}

static void sample(uint8_t e, uint16_t entry) {
  int8_t told;
  if (state_of[e] & BY_EDGES) return;
  told = move_to(e, read_state(entry), entry);
  if (told) ov_pulse(e, told < 0);
}

void ov_encoders_sample(void) {
  uint8_t count = ov_table_byte(OV_AT_ENCODERS);
  uint16_t entry = ov_table_word(OV_AT_ENCODER_TABLE);
  uint8_t e;
  take_steps();
  for (e = 0; e < count; e++, entry = (uint16_t)(entry + OV_ENCODER_BYTES)) sample(e, entry);
}
