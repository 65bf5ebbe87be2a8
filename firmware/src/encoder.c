/* Quadrature decoding, and turning each step into a short press of the encoder's turn input.
 * Bouncing contacts step forth and back and so cancel out: encoders need no debounce time. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t state_of[OV_MAX_ENCODERS];   /* bit 1: A closed, bit 0: B closed */
static int8_t travel_of[OV_MAX_ENCODERS];   /* quadrature states since the last step */
static int8_t pending_of[OV_MAX_ENCODERS];  /* steps not yet played */
static uint8_t playing_of[OV_MAX_ENCODERS]; /* ms left of the step being played */
static uint8_t input_of[OV_MAX_ENCODERS];   /* the input it is played on */

/* Movement from the old state (high two bits) to the new one (low two): A leads B when turned clockwise.
 * A jump over two states says nothing about the direction and counts as none. */
static const int8_t movement[16] = {0, -1, 1, 0, 1, 0, 0, -1, -1, 0, 0, 1, 0, 1, -1, 0};

static int8_t movement_between(uint8_t from, uint8_t to) { return movement[(uint8_t)((from << 2) | to)]; }

static uint16_t entry_of(uint8_t encoder) {
  return (uint16_t)(ov_table_word(OV_AT_ENCODER_TABLE) + encoder * OV_ENCODER_BYTES);
}

static uint8_t read_state(uint8_t encoder) {
  uint16_t entry = entry_of(encoder);
  uint8_t a = ov_sense_low(ov_table_byte(entry));
  uint8_t b = ov_sense_low(ov_table_byte((uint16_t)(entry + 1)));
  return (uint8_t)((a << 1) | b);
}

void ov_encoders_init(void) {
  uint8_t e;
  for (e = 0; e < OV_MAX_ENCODERS; e++) {
    state_of[e] = 0;
    travel_of[e] = 0;
    pending_of[e] = 0;
    playing_of[e] = 0;
    input_of[e] = OV_NONE;
  }
}

static void count_step(uint8_t e, int8_t direction) {
  travel_of[e] = 0;
  if (direction > 0 && pending_of[e] < 127) pending_of[e]++;
  if (direction < 0 && pending_of[e] > -127) pending_of[e]--;
}

static void sample(uint8_t e) {
  uint8_t state = read_state(e);
  int8_t states_a_step = (int8_t)ov_table_byte((uint16_t)(entry_of(e) + 2));
  travel_of[e] = (int8_t)(travel_of[e] + movement_between(state_of[e], state));
  state_of[e] = state;
  if (travel_of[e] >= states_a_step) count_step(e, 1);
  if (travel_of[e] <= -states_a_step) count_step(e, -1);
  /* A full-cycle encoder rests with both contacts open: there, a half-counted step is a missed one. */
  if (state == 0 && states_a_step == 4) travel_of[e] = 0;
}

void ov_encoders_sample(void) {
  uint8_t count = ov_table_byte(OV_AT_ENCODERS);
  uint8_t e;
  for (e = 0; e < count; e++) sample(e);
}

static void start_step(uint8_t e) {
  uint8_t clockwise = pending_of[e] > 0;
  pending_of[e] = (int8_t)(pending_of[e] + (clockwise ? -1 : 1));
  input_of[e] = (uint8_t)(ov_table_byte(OV_AT_SWITCHES) + 2u * e + (clockwise ? 0u : 1u));
  playing_of[e] = ov_table_byte(OV_AT_TAP_MS);
  ov_input_changed(input_of[e], 1);
}

static void play(uint8_t e) {
  if (playing_of[e] > 0) {
    playing_of[e]--;
    if (playing_of[e] == 0) ov_input_changed(input_of[e], 0);
  } else if (pending_of[e] != 0) {
    start_step(e);
  }
}

void ov_encoders_play(void) {
  uint8_t count = ov_table_byte(OV_AT_ENCODERS);
  uint8_t e;
  for (e = 0; e < count; e++) play(e);
}
