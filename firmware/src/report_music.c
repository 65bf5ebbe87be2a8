/* Music: notes, controllers, programs and the pitch, as events of MIDI 1.0 in the packets of its USB class; a socket (din.c) is told the same.
 * Events wait in a row until the host takes them. When it does not for so long that they run over, all are forgotten; then all notes are let go of on the channels that
 * were used, and those that are held are told anew. So no note stays on. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_MUSIC

#define EVENT_BYTES 3u
#define NOTE_BYTES 4u
enum { CHANNEL, NOTE, VELOCITY, HOLDERS };

static uint8_t *events; /* status and two values */
static uint8_t *notes;  /* that sound, the one pressed first ahead */
static uint8_t first, waiting, sounding, ran_over;
static uint16_t used; /* channels that had a note */
#if OV_WITH_DIN
static uint16_t used_ever; /* the same for the socket, which no host resets */
#endif

void ov_music_init(void) {
  if (!ov_music_plays()) return;
  events = ov_arena_take(EVENT_BYTES * OV_MUSIC_EVENTS);
  notes = ov_arena_take(NOTE_BYTES * OV_MUSIC_NOTES);
  first = waiting = sounding = ran_over = 0;
  used = 0;
#if OV_WITH_DIN
  used_ever = 0;
#endif
}

static void tell_host(uint8_t status, uint8_t one, uint8_t two) {
  uint8_t *place;
  ov_reports_changed();
  if (!ov_music_declared() || ran_over) return;
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

void ov_music_tell(uint8_t status, uint8_t one, uint8_t two) {
  ov_din_tell(status, one, two);
  tell_host(status, one, two);
}

/* A socket is slower than a host that listens; one that does not shall not hold it up. */
uint8_t ov_music_has_room(void) {
  if (ov_din_there()) return ov_din_has_room();
  return (uint8_t)(!ran_over && waiting <= OV_MUSIC_EVENTS / 2u);
}

static void switch_on(const uint8_t *note) {
  used |= (uint16_t)(1u << note[CHANNEL]);
#if OV_WITH_DIN
  used_ever |= used;
#endif
  ov_music_tell((uint8_t)(OV_MUSIC_ON | note[CHANNEL]), note[NOTE], note[VELOCITY]);
}
static void switch_off(const uint8_t *note) { ov_music_tell((uint8_t)(OV_MUSIC_OFF | note[CHANNEL]), note[NOTE], OV_MUSIC_OFF_VELOCITY); }

/* The note that sounds, or 0. */
static uint8_t *found(uint8_t channel, uint8_t number) {
  uint8_t *note = notes;
  uint8_t left;
  for (left = sounding; left > 0; left--, note += NOTE_BYTES)
    if (note[CHANNEL] == channel && note[NOTE] == number) return note;
  return 0;
}

static void end(uint8_t *note) {
  const uint8_t *last = notes + NOTE_BYTES * --sounding;
  switch_off(note);
  for (; note < last; note++) *note = note[NOTE_BYTES];
}

static uint8_t *begun(uint8_t channel, uint8_t number) {
  uint8_t *note;
  if (sounding == OV_MUSIC_NOTES) end(notes);
  note = notes + NOTE_BYTES * sounding++;
  note[CHANNEL] = channel;
  note[NOTE] = number;
  note[HOLDERS] = 0;
  return note;
}

/* One that sounds already is struck anew; it ends with the last key that holds it. */
void ov_music_note(uint8_t channel, uint16_t value, uint8_t pressed) {
  uint8_t *note;
  if (!ov_music_plays()) return;
  note = found(channel, (uint8_t)value);
  if (!pressed) {
    if (note && --note[HOLDERS] == 0) end(note);
    return;
  }
  if (note) switch_off(note);
  else note = begun(channel, (uint8_t)value);
  note[HOLDERS]++;
  note[VELOCITY] = (uint8_t)(value >> 8);
  switch_on(note);
}

/* At most as many events as there is room for. */
static void tell_all(uint16_t channels, void (*tell)(uint8_t status, uint8_t one, uint8_t two)) {
  const uint8_t *note = notes;
  uint8_t i;
  for (i = 0; i < OV_MUSIC_CHANNELS; i++)
    if (channels >> i & 1u) tell((uint8_t)(OV_MUSIC_CONTROL | i), OV_MUSIC_ALL_OFF, 0);
  for (i = 0; i < sounding; i++, note += NOTE_BYTES) tell((uint8_t)(OV_MUSIC_ON | note[CHANNEL]), note[NOTE], note[VELOCITY]);
  ov_axes_untold();
}

OV_RARELY static void tell_anew(void) {
  uint8_t i;
  const uint8_t *note = notes;
  ran_over = first = waiting = 0;
  tell_all(used, tell_host);
  for (i = 0; i < sounding; i++, note += NOTE_BYTES) used |= (uint16_t)(1u << note[CHANNEL]);
}

#if OV_WITH_DIN
void ov_music_tell_din(void) { tell_all(used_ever, ov_din_tell); }
#endif

static uint8_t packed(void) { return waiting < OV_MUSIC_IN_REPORT ? waiting : OV_MUSIC_IN_REPORT; }

uint8_t ov_music_build(uint8_t *bytes) {
  uint8_t nth, i;
  if (ran_over) tell_anew();
  for (nth = 0; nth < packed(); nth++) {
    const uint8_t *event = events + EVENT_BYTES * ((uint8_t)(first + nth) % OV_MUSIC_EVENTS);
    *bytes++ = event[0] >> 4; /* the packet's kind is that of the status (USB MIDI 1.0, table 4-1) */
    for (i = 0; i < EVENT_BYTES; i++) *bytes++ = event[i];
  }
  return (uint8_t)(packed() * OV_MUSIC_PACKET_BYTES);
}

void ov_music_taken(void) {
  uint8_t sent = packed();
  first = (uint8_t)((uint8_t)(first + sent) % OV_MUSIC_EVENTS);
  waiting = (uint8_t)(waiting - sent);
}

uint8_t ov_music_waits(void) { return waiting; }

/* Who comes anew hears nothing yet. */
void ov_music_forget(void) {
  used = 0;
  ran_over = 1;
}

#endif
