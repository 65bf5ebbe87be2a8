/* Segment displays: a text or a value on each layer, on chains of serial drivers. A scan looks at one display, and sends one register through one
 * chain, when there is something to send: so it takes little of it. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_SEGMENTS

static const uint8_t figures[10] OV_IN_FLASH = OV_SEGMENT_FIGURES;

#define STATE_BYTES 3u /* where its use is, and the value that is shown */

static uint8_t *patterns; /* of each driver what its eight digits show, chain by chain */
static uint8_t *frame;
static uint8_t *states;
static uint8_t *unsent; /* of each chain the digits to be sent, a bit each */
static uint8_t turn, chain, started;

uint16_t ov_segments_need(void) {
  return OV_SEGMENT_NEED(ov_table_byte(OV_AT_SEGMENT_DRIVERS), ov_table_byte(OV_AT_SEGMENT_DISPLAYS), ov_table_byte(OV_AT_SEGMENT_CHAINS));
}

static uint8_t drivers_of(uint8_t nth) { return ov_table_byte((uint16_t)(ov_table_word(OV_AT_SEGMENT_CHAIN_TABLE) + nth)); }

void ov_segments_init(void) {
  uint8_t drivers = ov_table_byte(OV_AT_SEGMENT_DRIVERS), i;
  patterns = ov_arena_take((uint16_t)(OV_SEGMENTS_DIGITS * drivers));
  frame = ov_arena_take((uint16_t)(2u * drivers));
  states = ov_arena_take((uint16_t)(STATE_BYTES * ov_table_byte(OV_AT_SEGMENT_DISPLAYS)));
  unsent = ov_arena_take(ov_table_byte(OV_AT_SEGMENT_CHAINS));
  for (i = 0; i < ov_table_byte(OV_AT_SEGMENT_CHAINS); i++) unsent[i] = 0xFF;
  turn = chain = started = 0;
}

static uint16_t use_at(uint8_t layer, uint8_t display) {
  uint16_t nth = (uint16_t)(layer * ov_table_byte(OV_AT_SEGMENT_DISPLAYS) + display);
  return (uint16_t)(ov_table_word(OV_AT_SEGMENT_USE_TABLE) + nth * OV_SEGMENT_USE_BYTES);
}
static uint8_t of(uint16_t entry, uint8_t field) { return ov_table_byte((uint16_t)(entry + field)); }

uint8_t ov_segments_do(uint8_t layer, uint8_t display) { return of(use_at(layer, display), OV_SEGMENT_USE_AT_DOES); }

/* One digit of a display, counted from the right. */
static void put(uint16_t entry, uint8_t digit, uint8_t pattern) {
  uint8_t nth = of(entry, OV_SEGMENT_AT_CHAIN), i;
  uint16_t driver = (uint16_t)(of(entry, OV_SEGMENT_AT_DRIVER) + (digit >> 3));
  uint8_t *place;
  for (i = 0; i < nth; i++) driver = (uint16_t)(driver + drivers_of(i));
  place = patterns + OV_SEGMENTS_DIGITS * driver + (digit & 7u);
  if (*place == pattern) return;
  *place = pattern;
  unsent[nth] |= ov_flash_byte(ov_bits + (digit & 7u));
}

static int16_t number_of(uint16_t use, uint8_t value) {
  int16_t low = (int16_t)ov_table_word((uint16_t)(use + OV_SEGMENT_USE_AT_LOW));
  int16_t high = (int16_t)ov_table_word((uint16_t)(use + OV_SEGMENT_USE_AT_HIGH));
  return ov_number_between(low, high, of(use, OV_SEGMENT_USE_AT_TOP), value);
}

/* What has too many digits is shown as nothing but minus signs. */
static void show_number(uint16_t entry, uint8_t point, int16_t number) {
  uint16_t left = (uint16_t)(number < 0 ? -number : number);
  uint8_t digits = of(entry, OV_SEGMENT_AT_DIGITS), taken = ov_digits_of(left, point), minus = (uint8_t)(number < 0), digit;
  uint8_t is_over = (uint8_t)(taken + minus > digits);
  for (digit = 0; digit < digits; digit++) {
    uint8_t pattern = 0;
    if (is_over || (minus && digit == taken)) pattern = OV_SEGMENT_MINUS;
    else if (digit < taken) {
      pattern = ov_flash_byte(figures + left % 10u);
      if (digit == point && point > 0) pattern |= OV_SEGMENT_POINT;
      left = (uint16_t)(left / 10u);
    }
    put(entry, digit, pattern);
  }
}

static void show_text(uint16_t entry, uint16_t place) {
  uint8_t digit;
  for (digit = 0; digit < of(entry, OV_SEGMENT_AT_DIGITS); digit++) put(entry, digit, ov_table_byte((uint16_t)(place + digit)));
}

static void show(uint16_t entry, uint16_t use, uint8_t value) {
  uint8_t digit;
  switch (use > 0 ? of(use, OV_SEGMENT_USE_AT_DOES) : OV_SEGMENT_DO_DARK) {
    case OV_SEGMENT_DO_VALUE: show_number(entry, of(use, OV_SEGMENT_USE_AT_POINT), number_of(use, value)); break;
    case OV_SEGMENT_DO_TEXT:
      show_text(entry, (uint16_t)(ov_table_word(OV_AT_SEGMENT_TEXTS) + ov_table_word((uint16_t)(use + OV_SEGMENT_USE_AT_LOW))));
      break;
    default:
      for (digit = 0; digit < of(entry, OV_SEGMENT_AT_DIGITS); digit++) put(entry, digit, 0);
  }
}

static void look(void) {
  uint8_t *state = states + STATE_BYTES * turn;
  uint16_t use = ov_asleep ? 0 : use_at(ov_layers_off_base ? ov_layer_found(turn, OV_OF_SEGMENTS) : 0, turn);
  uint8_t value = use > 0 && of(use, OV_SEGMENT_USE_AT_DOES) == OV_SEGMENT_DO_VALUE ? ov_value_of(of(use, OV_SEGMENT_USE_AT_OF)) : 0;
  uint16_t entry = (uint16_t)(ov_table_word(OV_AT_SEGMENT_TABLE) + turn * OV_SEGMENT_BYTES);
  if (state[0] != (uint8_t)use || state[1] != (uint8_t)(use >> 8) || state[2] != value) {
    state[0] = (uint8_t)use;
    state[1] = (uint8_t)(use >> 8);
    state[2] = value;
    show(entry, use, value);
  }
}

/* The last driver's part is shifted first. Values lie eight apart, or are all the same. */
static void send(uint8_t nth, uint8_t reg, const uint8_t *values, uint8_t apart) {
  uint8_t drivers = drivers_of(nth), i;
  uint8_t *to = frame;
  for (i = drivers; i-- > 0;) {
    *to++ = reg;
    *to++ = values[apart * i];
  }
  ov_hal_segments(nth, frame, (uint8_t)(2u * drivers));
}

static uint8_t send_start(void) {
  uint16_t entry = (uint16_t)(ov_table_word(OV_AT_SEGMENT_START_TABLE) + started * OV_SEGMENT_START_BYTES);
  uint8_t value = of(entry, 2);
  send(of(entry, 0), of(entry, 1), &value, 0);
  started++;
  return 1;
}

static uint8_t send_digit(void) {
  uint8_t digit = 0, i;
  const uint8_t *from = patterns;
  if (unsent[chain] == 0) return 0;
  while (!(unsent[chain] & ov_flash_byte(ov_bits + digit))) digit++;
  unsent[chain] &= (uint8_t)~ov_flash_byte(ov_bits + digit);
  for (i = 0; i < chain; i++) from += OV_SEGMENTS_DIGITS * drivers_of(i);
  send(chain, (uint8_t)(OV_SEGMENTS_FIRST_REGISTER + digit), from + digit, OV_SEGMENTS_DIGITS);
  return 1;
}

/* Turns go by scans, also by those that leave them out: when many switches change, and when lamps look at all that the computer told. */
uint8_t ov_segments_play(uint8_t is_crowded) {
  uint8_t displays = ov_table_byte(OV_AT_SEGMENT_DISPLAYS);
  if (displays == 0) return 0;
  if (++turn >= displays) turn = 0;
  if (++chain >= ov_table_byte(OV_AT_SEGMENT_CHAINS)) chain = 0;
  if (is_crowded) return 0;
  look();
  return started < ov_table_byte(OV_AT_SEGMENT_STARTS) ? send_start() : send_digit();
}

#endif
