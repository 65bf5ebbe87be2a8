/* Wipers of sticks and pots: each on a pin of the converter, or on a channel of a multiplexer whose data line is. */
#include "parts.h"

#include <string.h>

#define MOST 64

struct wiper { int line, select[4], channel; unsigned rest, level; };

static struct wiper wipers[MOST];
static int count;

void wipers_add(const int *n) {
  struct wiper *w = &wipers[count++];
  w->line = n[0];
  memcpy(w->select, n + 1, sizeof w->select);
  w->channel = n[5];
  w->rest = w->level = (unsigned)n[6];
}

void wipers_set(int wiper, unsigned level) { wipers[wiper].level = level; }

static int is_selected(const struct wiper *w) {
  int bit, channel = 0;
  if (w->select[0] < 0) return 1;
  for (bit = 0; bit < 4; bit++) if (w->select[bit] >= 0 && wiring_is_driven_high(w->select[bit])) channel |= 1 << bit;
  return channel == w->channel;
}

/* What lies on a line now, as a part of 65536 of the supply; -1 when no wiper does. */
long wipers_level(int channel) {
  int i;
  for (i = 0; i < count; i++) if (converter_channel_of(wipers[i].line) == channel && is_selected(&wipers[i])) return (long)wipers[i].level;
  return -1;
}

void wipers_start_afresh(void) {
  int i;
  for (i = 0; i < count; i++) wipers[i].level = wipers[i].rest;
}
