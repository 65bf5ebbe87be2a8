/* Glows say what addressable lights show, and when: a colour, one between two by a knob's value, or what moves by itself. They
 * lie one upon the other, the first lowest; what is seen of each goes at once to all of it and fades to nothing. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define ALL 255u

/* Of each glow: how much there is of it, and where its effect is in its period, the lowest of three bytes first. */
#define STATE_BYTES 4u
static uint8_t *states;
static uint8_t *own; /* of each light: how much there is of its own key's glow */
static uint8_t passed; /* ms from the picture before to this one */

void ov_glows_init(void) {
  states = ov_arena_take((uint16_t)(STATE_BYTES * (OV_WITH_LIGHTS ? ov_table_byte(OV_AT_GLOWS) : 0)));
  own = ov_arena_take(ov_lights());
}

static uint8_t marks_bytes(void) { return (uint8_t)((ov_lights() + 7u) >> 3); }

static void fade(uint8_t *level, uint16_t entry, uint8_t is_on) {
  uint16_t gone = (uint16_t)(((uint32_t)ov_table_word((uint16_t)(entry + OV_GLOW_AT_FADE)) * passed) >> 8);
  if (is_on) *level = ALL;
  else *level = (uint8_t)(gone < *level ? *level - gone : 0);
}

/* Three bytes go round in a period. */
static void move_on(uint8_t *phase, uint16_t speed) {
  uint32_t now = phase[0] | (uint32_t)phase[1] << 8 | (uint32_t)phase[2] << 16;
  now += (uint32_t)speed * passed;
  phase[0] = (uint8_t)now;
  phase[1] = (uint8_t)(now >> 8);
  phase[2] = (uint8_t)(now >> 16);
}

void ov_glows_pass(uint8_t elapsed_ms) {
  uint16_t entry = ov_table_word(OV_AT_GLOW_TABLE);
  uint8_t *state = states;
  uint8_t left;
  passed = elapsed_ms;
  for (left = ov_table_byte(OV_AT_GLOWS); left > 0; left--, state += STATE_BYTES) {
    fade(state, entry, ov_shows(entry));
    move_on(state + 1, ov_table_word((uint16_t)(entry + OV_GLOW_AT_SPEED)));
    entry = (uint16_t)(entry + OV_GLOW_BYTES + marks_bytes());
  }
}

/* So much of the other: none at 0, all at 255. */
static uint8_t mixed(uint8_t one, uint8_t other, uint8_t level) {
  uint16_t of_other = (uint16_t)(level + (level >> 7));
  return (uint8_t)((uint16_t)(one * (uint16_t)(256u - of_other) + other * of_other) >> 8);
}

static uint8_t there_and_back(uint8_t place) { return (uint8_t)(place < 128u ? 2u * place : 2u * (255u - place)); }

/* A number that looks like chance, of a light and a time. */
static uint8_t by_chance(uint8_t light, uint8_t time) {
  uint8_t number = (uint8_t)(light * 101u + (time & 15u) * 59u);
  number ^= (uint8_t)(number >> 4);
  number = (uint8_t)(number * 45u);
  return (uint8_t)(number ^ (number >> 3));
}

/* The upper four bits of where it is are the time; what is beneath lies between this time and the next. */
static uint8_t ember(const uint8_t *phase, uint8_t light) {
  uint8_t time = (uint8_t)(phase[2] >> 4);
  uint8_t between = (uint8_t)(phase[2] << 4 | phase[1] >> 4);
  return mixed(by_chance(light, time), by_chance(light, (uint8_t)(time + 1u)), between);
}

/* Once round: from red to green, to blue and back, always as bright as the colour's first byte says. */
static void colours_of_circle(uint8_t place, uint8_t bright, uint8_t *colours) {
  uint8_t first = (uint8_t)(place >= 170u ? 2 : place >= 85u ? 1 : 0);
  uint8_t next = (uint8_t)(first == 2u ? 0 : first + 1);
  uint8_t more = (uint8_t)(3u * (place - 85u * first));
  colours[0] = colours[1] = colours[2] = 0;
  colours[first] = (uint8_t)((uint16_t)((255u - more) * (bright + 1u)) >> 8);
  colours[next] = (uint8_t)((uint16_t)(more * (bright + 1u)) >> 8);
}

/* How far a light is between a glow's two colours. */
static uint8_t between_colours(uint16_t entry, const uint8_t *phase, uint8_t light) {
  uint8_t of = ov_table_byte((uint16_t)(entry + OV_GLOW_AT_OF));
  switch (ov_table_byte((uint16_t)(entry + OV_GLOW_AT_HOW))) {
    case OV_GLOW_VALUE:
      return (uint8_t)((uint16_t)(ov_value_of(of) * ov_table_word((uint16_t)(entry + OV_GLOW_AT_SPEED))) >> 8);
    case OV_GLOW_SWELL: return there_and_back(phase[2]);
    case OV_GLOW_WAVE: return there_and_back((uint8_t)(phase[2] + light * of));
    case OV_GLOW_EMBERS: return ember(phase, light);
    default: return 0;
  }
}

static void colours_of(uint16_t entry, const uint8_t *phase, uint8_t light, uint8_t *colours) {
  uint16_t at = (uint16_t)(entry + OV_GLOW_AT_COLOUR);
  uint8_t i, between;
  if (ov_table_byte((uint16_t)(entry + OV_GLOW_AT_HOW)) == OV_GLOW_ROUND) {
    uint8_t ahead = (uint8_t)(light * ov_table_byte((uint16_t)(entry + OV_GLOW_AT_OF)));
    colours_of_circle((uint8_t)(phase[2] + ahead), ov_table_byte(at), colours);
    return;
  }
  between = between_colours(entry, phase, light);
  for (i = 0; i < OV_COLOURS; i++, at++) {
    colours[i] = mixed(ov_table_byte(at), ov_table_byte((uint16_t)(at + OV_COLOURS)), between);
  }
}

/* The first glow that shows a light its own key says how that fades. */
static void own_key(uint8_t light, uint16_t entry) {
  uint8_t input = ov_table_byte((uint16_t)(ov_table_word(OV_AT_LIGHT_TABLE) + OV_LIGHT_BYTES * light));
  fade(own + light, entry, (uint8_t)(input != OV_NONE && ov_held_on(input) != OV_NONE));
}

void ov_glows_mix(uint8_t light, uint8_t *colours) {
  uint16_t entry = ov_table_word(OV_AT_GLOW_TABLE);
  const uint8_t *state = states;
  uint8_t left, has_own = 0;
  colours[0] = colours[1] = colours[2] = 0;
  for (left = ov_table_byte(OV_AT_GLOWS); left > 0; left--, state += STATE_BYTES) {
    uint8_t marks = ov_table_byte((uint16_t)(entry + OV_GLOW_BYTES + (light >> 3)));
    uint8_t level = state[0];
    if (marks & ov_flash_byte(ov_bits + (light & 7u))) {
      if (ov_table_byte((uint16_t)(entry + OV_GLOW_AT_WHEN)) == OV_LAMP_OWN) {
        if (!has_own) own_key(light, entry);
        has_own = 1;
        level = own[light];
      }
      if (level > 0) {
        uint8_t of_glow[OV_COLOURS];
        uint8_t i;
        colours_of(entry, state + 1, light, of_glow);
        for (i = 0; i < OV_COLOURS; i++) colours[i] = mixed(colours[i], of_glow[i], level);
      }
    }
    entry = (uint16_t)(entry + OV_GLOW_BYTES + marks_bytes());
  }
}
