/* Which of its jobs a key does whose press waits: told by what came after it, and by the time. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

/* Whether another key was tapped: the press of a release waits too, so it came after the oldest. */
static uint8_t is_tap(uint8_t nth) {
  uint8_t input = ov_waiting_input(nth);
  if (ov_waiting_pressed(nth)) return 0;
  while (--nth > 0) {
    if (ov_waiting_input(nth) == input) return 1;
  }
  return 0;
}

/* By a key with two jobs: its first when tapped, its second when held. A knob's step and a flip are taps of another key. */
static uint8_t of_two_jobs(uint32_t action, uint16_t quick_ms, uint8_t is_over) {
  uint16_t deadline_ms = ov_action_value(action);
  uint8_t school = ov_action_modifiers(action);
  uint8_t own = ov_waiting_input(0);
  uint8_t nth;
  if (ov_waiting_gap() < quick_ms) return OV_JOB_FIRST;
  for (nth = 1;; nth++) {
    if (school != OV_HOLD_BY_TIME && nth == ov_waiting_pulsed()) return OV_JOB_SECOND;
    if (nth >= ov_waiting_count()) break;
    if (ov_waiting_age(nth) >= deadline_ms) return OV_JOB_SECOND;
    if (ov_waiting_input(nth) == own) return OV_JOB_FIRST;
    if (school == OV_HOLD_BY_PRESS && ov_waiting_pressed(nth)) return OV_JOB_SECOND;
    if (school == OV_HOLD_BY_TAP && is_tap(nth)) return OV_JOB_SECOND;
  }
  return is_over || ov_waiting_now() >= deadline_ms ? OV_JOB_SECOND : OV_UNDECIDED;
}

/* By a key that does something else on its second tap: the first one waits for the second. */
static uint8_t of_taps(uint32_t action, uint8_t is_over) {
  uint16_t within_ms = ov_action_value(action);
  uint8_t own = ov_waiting_input(0);
  uint8_t nth;
  for (nth = 1;; nth++) {
    if (nth == ov_waiting_pulsed()) return OV_JOB_FIRST;
    if (nth >= ov_waiting_count()) break;
    if (ov_waiting_age(nth) >= within_ms || ov_waiting_input(nth) != own) return OV_JOB_FIRST;
    if (ov_waiting_pressed(nth)) return OV_JOB_SECOND;
  }
  return is_over || ov_waiting_now() >= within_ms ? OV_JOB_FIRST : OV_UNDECIDED;
}

uint8_t ov_job_of_oldest(uint8_t layer, uint32_t action, uint8_t is_over) {
  if (ov_action_kind(action) == OV_DO_SECOND_TAP) return of_taps(action, is_over);
  return of_two_jobs(action, (uint16_t)ov_job_action(layer, ov_waiting_input(0), OV_JOB_SECOND + 1), is_over);
}

/* The second tap is told by its own press: the first press and its release are past. */
uint8_t ov_job_changes(uint32_t action, uint8_t job) {
  return ov_action_kind(action) == OV_DO_SECOND_TAP && job == OV_JOB_SECOND ? 3 : 1;
}
