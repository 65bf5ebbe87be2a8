/* Drivers of segment displays: 16 bits each, the farthest driver's first. Data are taken when the clock rises while select is low; what all hold is
 * shown when select rises. Pulses last 50 ns at least, data stand 25 ns before (typical of the class, from memory): a cycle of 16 MHz is longer. */
#include "segments.h"
#include "parts.h"

#include <stdio.h>
#include <string.h>

#define MOST_CHAINS 4
#define MOST_BYTES 32
#define MOST_FRAMES 4

struct chain {
  int data, clock, select, drivers, was_clock, was_select, bits, frames;
  unsigned char bytes[MOST_BYTES], told[MOST_FRAMES][MOST_BYTES];
};

static struct chain chains[MOST_CHAINS];
static int count, is_wrong;

void segments_add(const int *n) { chains[count++] = (struct chain){.data = n[0], .clock = n[1], .select = n[2], .drivers = n[3]}; }

static void take(struct chain *one) {
  if (one->bits >= 16 * one->drivers) is_wrong = 1;
  else {
    if (one->bits % 8 == 0) one->bytes[one->bits / 8] = 0;
    one->bytes[one->bits / 8] |= (unsigned char)((wiring_is_driven_high(one->data) != 0) << (7 - one->bits % 8));
    one->bits++;
  }
}

static void show(struct chain *one) {
  if (one->bits == 0) return;
  if (one->bits != 16 * one->drivers) is_wrong = 1;
  else if (one->frames == MOST_FRAMES) one->frames = 0; /* nobody asks while the device comes of age */
  else memcpy(one->told[one->frames++], one->bytes, MOST_BYTES);
  one->bits = 0;
}

void segments_look(void) {
  int i;
  for (i = 0; i < count; i++) {
    struct chain *one = &chains[i];
    int clock = wiring_is_driven_high(one->clock), select = wiring_is_driven_high(one->select);
    if (clock && !one->was_clock && !select) take(one);
    if (select && !one->was_select) show(one);
    one->was_clock = clock;
    one->was_select = select;
  }
}

void segments_start_afresh(void) {
  int i;
  for (i = 0; i < count; i++) chains[i].bits = chains[i].frames = 0;
}

int segments_tell(void (*tell)(int chain, const unsigned char *bytes, int length)) {
  int i, nth;
  for (i = 0; i < count; i++) {
    for (nth = 0; nth < chains[i].frames; nth++) tell(i, chains[i].told[nth], 2 * chains[i].drivers);
    chains[i].frames = 0;
  }
  if (is_wrong) fprintf(stderr, "a chain of segment drivers is told no whole frame\n");
  return !is_wrong;
}
