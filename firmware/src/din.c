/* A socket for music: the events that go over USB, as bytes of MIDI 1.0 at 31,250 bit a second, of which three fill a millisecond. A
 * status that is the same as before is left out (running status), and told again after each rest, so that who is plugged in late understands.
 * Events wait in a row of their own; when they run over, all are forgotten and the notes are told anew. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_DIN

#define EVENT_BYTES 3u

static uint8_t *events;
static uint8_t first, waiting, ran_over;
static uint8_t at;      /* bytes of the first event that have left */
static uint8_t running; /* the status told last; 0: none since the line rested */

void ov_din_init(void) {
  if (!ov_din_there()) return;
  events = ov_arena_take(EVENT_BYTES * OV_MUSIC_EVENTS);
  first = waiting = ran_over = at = running = 0;
}

void ov_din_tell(uint8_t status, uint8_t one, uint8_t two) {
  uint8_t *place;
  if (!ov_din_there() || ran_over) return;
  if (waiting == OV_MUSIC_EVENTS) {
    ran_over = 1;
    return;
  }
  place = events + EVENT_BYTES * ((uint8_t)(first + waiting) % OV_MUSIC_EVENTS);
  place[0] = status;
  place[1] = one;
  place[2] = two;
  waiting++;
}

uint8_t ov_din_has_room(void) { return (uint8_t)(!ran_over && waiting <= OV_MUSIC_EVENTS / 2u); }

/* Of a program there is one value. */
static uint8_t length_of(uint8_t status) { return (uint8_t)((status & 0xF0u) == OV_MUSIC_PROGRAM ? 2 : 3); }

static uint8_t next_byte(void) {
  const uint8_t *event = events + EVENT_BYTES * first;
  uint8_t byte;
  if (at == 0 && *event == running) at = 1;
  byte = event[at];
  if (at == 0) running = byte;
  if (++at == length_of(*event)) {
    at = 0;
    first = (uint8_t)((uint8_t)(first + 1u) % OV_MUSIC_EVENTS);
    waiting--;
  }
  return byte;
}

void ov_din_play(void) {
  uint8_t bytes[OV_DIN_BYTES_A_MS];
  uint8_t n = 0;
  if (!ov_din_there()) return;
  if (ran_over) {
    ran_over = first = waiting = at = running = 0;
    ov_music_tell_din();
  }
  while (n < OV_DIN_BYTES_A_MS && waiting > 0) bytes[n++] = next_byte();
  if (waiting == 0) running = 0;
  if (n > 0) ov_hal_din(bytes, n);
}

#endif
