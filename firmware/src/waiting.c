/* Changes of inputs in their order, of which the oldest may not be decided yet: a key with two jobs, or one that may be
 * part of keys together. What comes after it waits with it. For a keymap without such keys there is no list. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define PRESSED 0x8000u
#define TIME 0x7FFFu

static uint16_t *told_at; /* by what waits, the oldest first: when it came, and whether it is a press */
static uint8_t *input_of;
static uint8_t *gap_of; /* of a press: ms since another key was pressed before it, OV_NONE for long ago */
static uint8_t most, count;
static uint8_t first; /* the place of the oldest; after the last place comes the first */
static uint16_t now;
static uint8_t last_input, since_press;
static uint8_t pulsed; /* how many changes waited when a knob was turned or a lever flipped; 0: none was since */

void ov_waiting_times_init(void) {
  most = ov_table_byte(OV_AT_WAITING);
  told_at = (uint16_t *)(void *)ov_arena_take((uint16_t)(most * 2u));
}

void ov_waiting_init(void) {
  input_of = ov_arena_take(most);
  gap_of = ov_arena_take(most);
  count = first = pulsed = 0;
  now = 0;
  last_input = OV_NONE;
  since_press = OV_NONE;
}

void ov_waiting_pass(uint8_t elapsed_ms) {
  now = (uint16_t)(now + elapsed_ms);
  since_press = elapsed_ms < OV_NONE - since_press ? (uint8_t)(since_press + elapsed_ms) : OV_NONE;
}

uint8_t ov_waiting_most(void) { return most; }
uint8_t ov_waiting_count(void) { return count; }
static inline uint8_t place_of(uint8_t nth) {
  uint8_t place = (uint8_t)(first + nth);
  return place < most ? place : (uint8_t)(place - most);
}
uint8_t ov_waiting_input(uint8_t nth) { return input_of[place_of(nth)]; }
uint8_t ov_waiting_pressed(uint8_t nth) { return (uint8_t)((told_at[place_of(nth)] & PRESSED) != 0); }
uint16_t ov_waiting_age(uint8_t nth) { return (uint16_t)((told_at[place_of(nth)] - told_at[first]) & TIME); }
uint16_t ov_waiting_now(void) { return (uint16_t)((now - told_at[first]) & TIME); }
uint8_t ov_waiting_gap(void) { return gap_of[first]; }
uint8_t ov_waiting_pulsed(void) { return pulsed; }
void ov_waiting_pulse(void) {
  if (pulsed == 0) pulsed = count;
}

void ov_waiting_drop(uint8_t oldest) {
  first = place_of(oldest);
  count = (uint8_t)(count - oldest);
  pulsed = pulsed > oldest ? (uint8_t)(pulsed - oldest) : 0;
}

void ov_waiting_note(uint8_t input) {
  last_input = input;
  since_press = 0;
}

void ov_waiting_add(uint8_t input, uint8_t pressed) {
  uint8_t at = place_of(count);
  told_at[at] = (uint16_t)((now & TIME) | (pressed ? PRESSED : 0u));
  input_of[at] = input;
  gap_of[at] = input == last_input ? OV_NONE : since_press;
  count++;
  if (pressed) ov_waiting_note(input);
}
