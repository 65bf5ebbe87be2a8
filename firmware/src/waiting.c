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
static uint16_t now;
static uint8_t last_input, since_press;

void ov_waiting_times_init(void) {
  most = ov_table_byte(OV_AT_WAITING);
  told_at = (uint16_t *)(void *)ov_arena_take((uint16_t)(most * 2u));
}

void ov_waiting_init(void) {
  input_of = ov_arena_take(most);
  gap_of = ov_arena_take(most);
  count = 0;
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
uint8_t ov_waiting_input(uint8_t nth) { return input_of[nth]; }
uint8_t ov_waiting_pressed(uint8_t nth) { return (uint8_t)((told_at[nth] & PRESSED) != 0); }
uint16_t ov_waiting_age(uint8_t nth) { return (uint16_t)((told_at[nth] - told_at[0]) & TIME); }
uint16_t ov_waiting_now(void) { return (uint16_t)((now - told_at[0]) & TIME); }
uint8_t ov_waiting_gap(void) { return gap_of[0]; }

void ov_waiting_drop(uint8_t oldest) {
  uint8_t i;
  count = (uint8_t)(count - oldest);
  for (i = 0; i < count; i++) {
    told_at[i] = told_at[i + oldest];
    input_of[i] = input_of[i + oldest];
    gap_of[i] = gap_of[i + oldest];
  }
}

void ov_waiting_add(uint8_t input, uint8_t pressed) {
  told_at[count] = (uint16_t)((now & TIME) | (pressed ? PRESSED : 0u));
  input_of[count] = input;
  gap_of[count] = input == last_input ? OV_NONE : since_press;
  count++;
  if (!pressed) return;
  last_input = input;
  since_press = 0;
}
