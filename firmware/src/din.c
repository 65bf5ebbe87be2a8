/* A socket for music: the events that go over USB, as bytes of MIDI 1.0 at 31,250 bit a second, of which three fill a millisecond. A
 * status that is the same as before is left out (running status), and told again after each rest, so that who is plugged in late understands.
 * Events wait in a row of their own; when they run over, all are forgotten and the notes are told anew. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_DIN

#define EVENT_BYTES 3u

static uint8_t *events, *behind; /* the row, and its end */
static uint8_t *first, *next;    /* the event that leaves, and the place of the one that comes */
static uint8_t there, waiting, ran_over;
static uint8_t at;      /* bytes of the first event that have left */
static uint8_t running; /* the status told last; 0: none since the line rested */

static void empty(void) {
  first = next = events;
  waiting = ran_over = at = running = 0;
}

void ov_din_init(void) {
  there = ov_din_there();
  if (!there) return;
  events = ov_arena_take(EVENT_BYTES * OV_MUSIC_EVENTS);
  behind = events + EVENT_BYTES * OV_MUSIC_EVENTS;
  empty();
}

void ov_din_tell(uint8_t status, uint8_t one, uint8_t two) {
  uint8_t *place = next;
  if (!there || ran_over) return;
  if (waiting == OV_MUSIC_EVENTS) {
    ran_over = 1;
    return;
  }
  *place++ = status;
  *place++ = one;
  *place++ = two;
  next = place == behind ? events : place;
  waiting++;
}

uint8_t ov_din_has_room(void) { return (uint8_t)(!ran_over && waiting <= OV_MUSIC_EVENTS / 2u); }

/* Of a program there is one value. */
static uint8_t length_of(uint8_t status) { return (uint8_t)((status & 0xF0u) == OV_MUSIC_PROGRAM ? 2 : 3); }

static uint8_t next_byte(void) {
  const uint8_t *event = first;
  uint8_t byte;
  if (at == 0 && *event == running) at = 1;
  byte = event[at];
  if (at == 0) running = byte;
  if (++at == length_of(*event)) {
    at = 0;
    first += EVENT_BYTES;
    if (first == behind) first = events;
    waiting--;
  }
  return byte;
}

/* In every scan; one that has much to tell leaves its bytes for the next. */
void ov_din_play(uint8_t is_crowded) {
  uint8_t bytes[OV_DIN_BYTES_A_MS];
  uint8_t n = 0;
  if (!there || is_crowded) return;
  if (ran_over) {
    empty();
    ov_music_tell_din();
  }
  while (n < OV_DIN_BYTES_A_MS && waiting > 0) bytes[n++] = next_byte();
  if (waiting == 0) running = 0;
  if (n > 0) ov_hal_din(bytes, n);
}

#endif
