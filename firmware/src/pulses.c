/* Presses that the device makes and ends by itself: an encoder's steps, and switches that tell their change.
 * A pulse begins and ends only when the host has taken what was told before, so that a slow host misses none. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* Steps that wait, in runs of one direction, the oldest run first: how many, and below it one bit of direction; 0 ends
 * the list. When the direction has changed more often than there are runs, a step takes back one of the newest run. */
static uint16_t *runs_of;
static uint8_t *left_of;  /* ms left of the pulse being told */
static uint8_t *input_of; /* the input it is told on */
static uint8_t pulsers;

#define COUNT(run) ((run) >> 1)
#define MOST_STEPS 0x7FFFu

void ov_pulses_init(void) {
  pulsers = (uint8_t)(ov_table_byte(OV_AT_ENCODERS) + ov_table_byte(OV_AT_FLIPS));
  runs_of = (uint16_t *)(void *)ov_arena_take((uint16_t)(pulsers * OV_STEP_RUNS * 2u));
  left_of = ov_arena_take(pulsers);
  input_of = ov_arena_take(pulsers);
}

void ov_pulse(uint8_t pulser, uint8_t second) {
  uint16_t *run = runs_of + (uint16_t)pulser * OV_STEP_RUNS;
  uint8_t nth = 0;
  while (nth + 1 < OV_STEP_RUNS && run[nth + 1] != 0) nth++;
  if (run[nth] == 0 || (run[nth] & 1u) == second) {
    if (COUNT(run[nth]) < MOST_STEPS) run[nth] = (uint16_t)(((COUNT(run[nth]) + 1u) << 1) | second);
  } else if (nth + 1 < OV_STEP_RUNS) {
    run[nth + 1] = (uint16_t)(2u | second);
  } else {
    run[nth] = COUNT(run[nth]) > 1 ? (uint16_t)(run[nth] - 2u) : 0;
  }
}

void ov_pulse_input(uint8_t pulser, uint8_t input) {
  input_of[pulser] = input;
  ov_pulse(pulser, 0);
}

uint8_t ov_pulse_idle(uint8_t pulser) {
  return (uint8_t)(left_of[pulser] == 0 && runs_of[(uint16_t)pulser * OV_STEP_RUNS] == 0);
}

/* An encoder has an input for each direction; a switch that tells its change has one, which came with its pulse. */
static uint8_t input_for(uint8_t pulser, uint8_t second) {
  if (pulser >= ov_table_byte(OV_AT_ENCODERS)) return input_of[pulser];
  return (uint8_t)(ov_table_byte(OV_AT_SWITCHES) + 2u * pulser + second);
}

static void start(uint8_t pulser, uint16_t *run) {
  uint8_t second = (uint8_t)(run[0] & 1u);
  uint8_t i;
  run[0] = (uint16_t)(run[0] - 2u);
  if (COUNT(run[0]) == 0) {
    for (i = 0; i + 1 < OV_STEP_RUNS; i++) run[i] = run[i + 1];
    run[OV_STEP_RUNS - 1] = 0;
  }
  input_of[pulser] = input_for(pulser, second);
  left_of[pulser] = ov_table_byte(OV_AT_PULSE_MS);
  ov_input_changed(input_of[pulser], 1);
}

static void play(uint8_t pulser, uint8_t elapsed_ms) {
  uint16_t *run = runs_of + (uint16_t)pulser * OV_STEP_RUNS;
  if (left_of[pulser] > elapsed_ms) {
    left_of[pulser] = (uint8_t)(left_of[pulser] - elapsed_ms);
  } else if (left_of[pulser] > 0) {
    left_of[pulser] = 0;
    ov_input_changed(input_of[pulser], 0);
  } else if (run[0] != 0) {
    start(pulser, run);
  }
}

void ov_pulses_play(uint8_t elapsed_ms) {
  uint8_t pulser;
  if (ov_reports_waiting()) return;
  for (pulser = 0; pulser < pulsers; pulser++) play(pulser, elapsed_ms);
}
