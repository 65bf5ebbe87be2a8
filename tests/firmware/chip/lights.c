#include "lights.h"
#include "parts.h"

#include <stdio.h>
#include <string.h>

/* What lights of the trade take (common practice), in cycles of 16 MHz: high for 0.2 to 0.5 us is a 0, for 0.55 to 1.0 us a 1; low in between for
 * 0.25 us at least; and when it stays low for 9 us they may take what came for all of it (the strictest of their data sheets, from memory; others
 * wait for 50 or 280 us). */
#define LEAST_ZERO 3
#define MOST_ZERO 8
#define LEAST_ONE 9
#define MOST_ONE 16
#define LEAST_LOW 4
#define MOST_LOW 144
#define SHOWS_AFTER 800 /* low for 50 us: the lights show, and what follows is for the first of them again */
#define MOST_CHAINS 8
#define MOST_BYTES 768

struct lights { int net, is_high, bits; avr_cycle_count_t rose, fell, began; unsigned char bytes[MOST_BYTES]; };

static struct lights chains[MOST_CHAINS];
static int count, is_wrong;
static long sent_cycles, longest_pause;

void lights_add(int net) { chains[count++] = (struct lights){.net = net}; }

static void wrong(const char *what, avr_cycle_count_t cycles) {
  if (!is_wrong) fprintf(stderr, "a light is told no bit: %s for %lu cycles\n", what, (unsigned long)cycles);
  is_wrong = 1;
}

static void rise(struct lights *one, avr_cycle_count_t now) {
  one->rose = now;
  if (one->bits > 0 && now - one->fell > SHOWS_AFTER) one->bits = 0;
  if (one->bits == 0) one->began = now;
  else if ((long)(now - one->fell) > longest_pause) longest_pause = (long)(now - one->fell);
  if (one->bits > 0 && (now - one->fell < LEAST_LOW || now - one->fell > MOST_LOW)) wrong("low", now - one->fell);
}

static void fall(struct lights *one, avr_cycle_count_t now) {
  avr_cycle_count_t high = now - one->rose;
  int bit = high >= LEAST_ONE && high <= MOST_ONE;
  if (!bit && (high < LEAST_ZERO || high > MOST_ZERO)) wrong("high", high);
  one->fell = now;
  if (one->bits >= 8 * MOST_BYTES) return;
  if (one->bits % 8 == 0) one->bytes[one->bits / 8] = 0;
  one->bytes[one->bits / 8] |= (unsigned char)(bit << (7 - one->bits % 8));
  one->bits++;
  sent_cycles = (long)(now - one->began);
}

void lights_look(avr_t *avr) {
  int i;
  for (i = 0; i < count; i++) {
    struct lights *one = &chains[i];
    int is_high = wiring_is_driven_high(one->net);
    if (is_high == one->is_high) continue;
    one->is_high = is_high;
    if (is_high) rise(one, avr->cycle);
    else fall(one, avr->cycle);
  }
}

void lights_start_afresh(void) {
  int i;
  for (i = 0; i < count; i++) chains[i].bits = chains[i].is_high = 0;
  sent_cycles = 0;
}

int lights_tell(void (*tell)(int chain, const unsigned char *bytes, int length)) {
  int i;
  for (i = 0; i < count; i++) {
    if (chains[i].bits == 0) continue;
    if (chains[i].bits % 8) wrong("a byte has so many bits,", (avr_cycle_count_t)(chains[i].bits % 8));
    tell(i, chains[i].bytes, chains[i].bits / 8);
    chains[i].bits = 0;
  }
  return !is_wrong;
}

long lights_sent(void) {
  long cycles = sent_cycles;
  sent_cycles = 0;
  return cycles;
}

long lights_pause(void) { return longest_pause; }
