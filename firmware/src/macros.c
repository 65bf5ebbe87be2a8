/* Macros: steps that the device does by itself, one macro at a time; one that is begun ends the one before. A step that
 * tells something waits until the host has taken what was told before. When a macro ends, however it does, nothing of it
 * stays down. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define STEPS 3 /* a macro's steps come after how often it plays, its flags, and where it begins again */

uint8_t ov_macro_plays;   /* one does */
uint8_t ov_macro_types;   /* it types a text: modifiers that a hand holds do not count meanwhile */
uint16_t ov_macro_usage;  /* of the consumer page, 0: none */
uint8_t ov_macro_down[OV_MACRO_KEYS];
uint8_t ov_macro_with[OV_MACRO_KEYS]; /* modifiers that each brings along */

static uint16_t begins, at; /* where the macro begins in the tables, its next step */
static uint16_t left_ms;    /* until that one */
static uint8_t own;         /* the input that began it */
static uint8_t is_let_go;
static uint8_t left_plays;
static uint8_t strokes; /* of a text, still to be typed */
static uint16_t part_of[OV_PARTS_DEEP]; /* parts that are done again: where each ends, the innermost last */
static uint8_t left_of[OV_PARTS_DEEP];   /* how often it still is */
static uint8_t parts;
static uint8_t tapped;  /* 1 and the place of the key that is down for a tap; 0: none is */

#define TAPS_CONSUMER 0xFFu

void ov_macro_end(void) {
  uint8_t i;
  for (i = 0; i < OV_MACRO_KEYS; i++) ov_macro_down[i] = 0;
  ov_macro_usage = 0;
  ov_macro_plays = ov_macro_types = strokes = tapped = parts = 0;
  ov_cares &= (uint8_t)~OV_CARES_MACRO;
  ov_reports_changed();
}

void ov_macros_init(void) { ov_macro_end(); }

void ov_macro_start(uint8_t input, uint8_t macro) {
  uint16_t table = ov_table_word(OV_AT_MACRO_TABLE);
  if (ov_macro_plays) ov_macro_end();
  begins = (uint16_t)(table + ov_table_word((uint16_t)(table + macro * OV_MACRO_BYTES)));
  at = (uint16_t)(begins + STEPS);
  left_plays = ov_table_byte(begins);
  ov_macro_plays = 1;
  if (ov_table_byte((uint16_t)(begins + 1)) & OV_MACRO_ENDS) ov_cares |= OV_CARES_MACRO;
  own = input;
  is_let_go = 0;
  left_ms = 0;
}

void ov_macro_let_go(uint8_t input) {
  if (input == own) is_let_go = 1;
}

/* @returns 1 and the place of a usage that is down, or goes down now; 0 when there is no room for it */
static uint8_t press(uint8_t usage, uint8_t modifiers) {
  uint8_t i;
  uint8_t free = 0;
  for (i = 0; i < OV_MACRO_KEYS; i++) {
    if (ov_macro_down[i] == usage) break;
    if (ov_macro_down[i] == 0 && free == 0) free = (uint8_t)(i + 1u);
  }
  if (i < OV_MACRO_KEYS) free = (uint8_t)(i + 1u);
  if (free == 0) return 0;
  ov_macro_down[free - 1] = usage;
  ov_macro_with[free - 1] = modifiers;
  ov_reports_changed();
  return free;
}

static void release(uint8_t usage) {
  uint8_t i;
  for (i = 0; i < OV_MACRO_KEYS; i++) {
    if (ov_macro_down[i] == usage) ov_macro_down[i] = 0;
  }
  ov_reports_changed();
}

static void tap(uint8_t place) {
  tapped = place;
  left_ms = ov_table_byte(OV_AT_PULSE_MS);
}

OV_RARELY static void end_tap(void) {
  if (tapped == TAPS_CONSUMER) ov_macro_usage = 0;
  else ov_macro_down[tapped - 1] = 0;
  tapped = 0;
  ov_reports_changed();
}

/* A stroke of a text: a usage below 0x7F, and whether Shift is held with it; or OV_STROKE_LONG, usage and modifiers. */
static void type(void) {
  uint8_t usage = ov_table_byte(at++);
  uint8_t modifiers = usage & OV_STROKE_SHIFT ? OV_LEFT_SHIFT : 0;
  if (usage == OV_STROKE_LONG) {
    usage = ov_table_byte(at++);
    modifiers = ov_table_byte(at++);
  } else {
    usage = (uint8_t)(usage & ~OV_STROKE_SHIFT);
  }
  tap(press(usage, modifiers));
  strokes--;
  ov_macro_types = 1;
}

static void again(void) {
  uint8_t over = left_plays == 0 ? is_let_go : (uint8_t)(--left_plays == 0);
  if (over) ov_macro_end();
  else at = (uint16_t)(begins + ov_table_byte((uint16_t)(begins + 2)));
}

/* A part has come to its end for the first time. @returns whether it is done again */
static uint8_t begin_part(uint8_t times) {
  if (times == 1 || parts == OV_PARTS_DEEP) return 0;
  part_of[parts] = at;
  left_of[parts++] = (uint8_t)(times - 1u);
  return 1;
}

/* At the end of a part: back to where it begins, or on. */
static void part_again(void) {
  uint8_t times = ov_table_byte((uint16_t)(at + 1));
  uint8_t once_more = !is_let_go;
  if (times > 0) {
    if (parts == 0 || part_of[parts - 1] != at) once_more = begin_part(times);
    else once_more = --left_of[parts - 1] > 0;
    if (!once_more && parts > 0 && part_of[parts - 1] == at) parts--;
  }
  if (once_more) at = (uint16_t)(at - ov_table_word((uint16_t)(at + 2)));
  else at = (uint16_t)(at + OV_AGAIN_BYTES);
}

OV_RARELY static void step(void) {
  uint8_t first, second, kind;
  uint16_t word;
  if (ov_macro_types) ov_reports_changed();
  ov_macro_types = 0;
  while (ov_table_byte(at) == OV_STEP_UNTIL_LET_GO) {
    if (!is_let_go) return;
    at++;
  }
  first = ov_table_byte((uint16_t)(at + 1));
  second = ov_table_byte((uint16_t)(at + 2));
  word = (uint16_t)(first | ((uint16_t)second << 8));
  kind = ov_table_byte(at);
  if (kind == OV_STEP_END) {
    again();
    return;
  }
  if (kind == OV_STEP_AGAIN) {
    part_again();
    return;
  }
  if (kind == OV_STEP_TEXT) {
    strokes = first;
    at = (uint16_t)(at + 2);
    type();
    return;
  }
  at = (uint16_t)(at + OV_STEP_BYTES);
  switch (kind) {
    case OV_STEP_PRESS: (void)press(first, second); break;
    case OV_STEP_RELEASE: release(first); break;
    case OV_STEP_TAP: tap(press(first, second)); break;
    case OV_STEP_WAIT: left_ms = word; break;
    case OV_STEP_CONSUMER:
      ov_macro_usage = word;
      tap(TAPS_CONSUMER);
      ov_reports_changed();
      break;
    case OV_STEP_STAY_LAYER: ov_layer_stay(first); break;
    case OV_STEP_SWITCH_LAYER: ov_layer_switch(first); break;
    default: ov_macro_end(); break;
  }
}

void ov_macros_play(uint8_t elapsed_ms) {
  if (!ov_macro_plays) return;
  if (left_ms > elapsed_ms) {
    left_ms = (uint16_t)(left_ms - elapsed_ms);
    return;
  }
  left_ms = 0;
  if (ov_reports_waiting()) return;
  if (tapped) end_tap();
  else if (strokes > 0) type();
  else step();
}
