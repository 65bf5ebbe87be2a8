/* Presses that the device makes and ends by itself: an encoder's steps, and switches that tell their change.
 * A pulse begins and ends only when the host has taken what was told before, so that a slow host misses none. One is told
 * at a time, and those that wait take turns: so each is a report of its own, whatever else is flipped or turned. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* Steps that wait, in runs of one direction, the oldest run first: how many, and below it one bit of direction; 0 ends
 * the list. When the direction has changed more often than there are runs, steps take back those of the newest run. */
static uint16_t *runs_of;
static uint8_t *input_of; /* the switch that tells its change */
static uint8_t pulsers;
static uint8_t waiting;    /* how many have steps that wait */
static uint8_t told;       /* whose turn it is, or was last */
static uint8_t told_input; /* the input it is told on */
static uint8_t left_ms;    /* of the pulse being told; 0: none is */

#define COUNT(run) ((run) >> 1)
#define MOST_STEPS 0x7FFFu

void ov_pulses_init(void) {
  pulsers = (uint8_t)(ov_table_byte(OV_AT_ENCODERS) + ov_table_byte(OV_AT_FLIPS));
  runs_of = (uint16_t *)(void *)ov_arena_take((uint16_t)(pulsers * OV_STEP_RUNS * 2u));
  input_of = ov_arena_take(pulsers);
  waiting = left_ms = 0;
  told = (uint8_t)(pulsers - 1u);
}

void ov_pulse(uint8_t pulser, uint8_t second, uint8_t times) {
  uint16_t *run = runs_of + (uint16_t)pulser * OV_STEP_RUNS;
  uint8_t nth = 0;
  uint16_t count;
  ov_waiting_pulse();
  if (run[0] == 0) waiting++;
  while (nth + 1 < OV_STEP_RUNS && run[nth + 1] != 0) nth++;
  if (run[nth] != 0 && (run[nth] & 1u) != second && ++nth == OV_STEP_RUNS) {
    nth--;
    count = COUNT(run[nth]);
    if (count > times) {
      run[nth] = (uint16_t)(run[nth] - 2u * times);
      return;
    }
    /* All of the newest run is taken back; what is left of the steps belongs to the run before it. */
    run[nth--] = 0;
    times = (uint8_t)(times - count);
  }
  count = (uint16_t)(COUNT(run[nth]) + times);
  run[nth] = (uint16_t)(((count < MOST_STEPS ? count : MOST_STEPS) << 1) | second);
}

void ov_pulse_flip(uint8_t pulser, uint8_t input, uint8_t is_back) {
  input_of[pulser] = input;
  ov_pulse(pulser, is_back, 1);
}

uint8_t ov_pulse_idle(uint8_t pulser) {
  return (uint8_t)(!(left_ms && told == pulser) && runs_of[(uint16_t)pulser * OV_STEP_RUNS] == 0);
}

/* The way back of a switch that tells its change. */
static uint8_t back_of(uint8_t pulser) { return (uint8_t)(ov_first_back() + pulser - ov_table_byte(OV_AT_ENCODERS)); }

uint8_t ov_pulse_has_back(uint8_t pulser) {
  uint8_t back = back_of(pulser);
  return (uint8_t)(ov_action_kind(ov_action(ov_layer_for(back), back)) != OV_DO_PASS);
}

/* An encoder has an input for each direction; a switch that tells its change has its own, and one for its way back: bound
 * to nothing at all, that does as the flip. */
static uint8_t input_for(uint8_t pulser, uint8_t second) {
  if (pulser < ov_table_byte(OV_AT_ENCODERS)) return (uint8_t)(ov_table_byte(OV_AT_SWITCHES) + 2u * pulser + second);
  return second && ov_pulse_has_back(pulser) ? back_of(pulser) : input_of[pulser];
}

/* The oldest step of a pulser. @returns its direction */
static uint8_t take(uint16_t *run) {
  uint8_t second = (uint8_t)(run[0] & 1u);
  uint8_t i;
  run[0] = (uint16_t)(run[0] - 2u);
  if (COUNT(run[0]) > 0) return second;
  for (i = 0; i + 1 < OV_STEP_RUNS; i++) run[i] = run[i + 1];
  run[OV_STEP_RUNS - 1] = 0;
  if (run[0] == 0) waiting--;
  return second;
}

/* The next one of those that wait, after the one that was told last. */
static void start(void) {
  uint16_t *run;
  do {
    told = (uint8_t)(told + 1u < pulsers ? told + 1u : 0);
    run = runs_of + (uint16_t)told * OV_STEP_RUNS;
  } while (run[0] == 0);
  told_input = input_for(told, take(run));
  left_ms = ov_table_byte(OV_AT_PULSE_MS);
  ov_input_do(told_input, 1);
}

void ov_pulses_play(uint8_t elapsed_ms) {
  if (ov_reports_waiting()) return;
  if (left_ms > elapsed_ms) {
    left_ms = (uint8_t)(left_ms - elapsed_ms);
  } else if (left_ms > 0) {
    left_ms = 0;
    ov_input_do(told_input, 0);
  } else if (waiting > 0 && ov_waiting_count() == 0) {
    /* The layer a step is read from is known when all that came before it is decided. */
    start();
  }
}
