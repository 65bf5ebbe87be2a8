/* Quadrature decoding: each step becomes a pulse of the encoder's turn input.
 * Bouncing contacts step forth and back and so cancel out: encoders need no debounce time. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define UNKNOWN 0xFF

static uint8_t *state_of; /* bit 1: A closed, bit 0: B closed; UNKNOWN before the first sample */
static int8_t *travel_of; /* quadrature states since the last step */

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
}

static void step(uint8_t e, uint8_t anticlockwise) {
  travel_of[e] = 0;
  ov_pulse(e, anticlockwise);
}

static void sample(uint8_t e) {
  uint16_t entry = entry_of(e);
  uint8_t state = read_state(entry);
  int8_t states_a_step = (int8_t)ov_table_byte((uint16_t)(entry + 2));
  /* Where it rests when the device starts is no movement. */
  if (state_of[e] == UNKNOWN) state_of[e] = state;
  if (state == state_of[e]) return;
  travel_of[e] = (int8_t)(travel_of[e] + movement[(uint8_t)((state_of[e] << 2) | state)]);
  state_of[e] = state;
  if (travel_of[e] >= states_a_step) step(e, 0);
  if (travel_of[e] <= -states_a_step) step(e, 1);
  /* A full-cycle encoder rests with both contacts open: there, a half-counted step is a missed one. */
  if (state == 0 && states_a_step == 4) travel_of[e] = 0;
}

void ov_encoders_sample(void) {
  uint8_t count = ov_table_byte(OV_AT_ENCODERS);
  uint8_t e;
  for (e = 0; e < count; e++) sample(e);
}
