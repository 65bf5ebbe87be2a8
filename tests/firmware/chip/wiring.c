#include "wiring.h"
#include "lights.h"
#include "displays.h"
#include "segments.h"
#include "parts.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include <simavr/avr_ioport.h>
#include <simavr/sim_io.h>

#define MOST_NETS 512
#define MOST_CONTACTS 1024
#define MOST_PARTS 32
#define MOST_LINES 256
#define MOST_LAMPS 256
#define FIRST_PORT 0x23 /* the input register of port B; direction and level follow, then the next port */
#define PORTS 5
#define CYCLES_A_SECOND 16000000L

struct pin { int net, port, bit; };
struct conductor { int from, to, diode, closed; };
struct chain { int clock, latch, data, enable, lines, net[MOST_LINES]; unsigned char bits[MOST_LINES], shown[MOST_LINES]; int was_clock, was_latch; };
struct multiplexer { int select[4], data, lines, net[16]; };
struct lamp { int kind, a, b, told, glows; }; /* 'p' pin net high; 'r' chain a, bit b low; 'x' net a high and net b low; 't' a tone of b Hz on net a */
/* Of a sounder: its level, when that changed last, and how many cycles lay between two changes while it sounded. */
struct wave { int level; avr_cycle_count_t at; unsigned long edges, before, shortest, longest; };

static avr_t *chip;
static struct pin pins[64];
static struct conductor conductors[MOST_CONTACTS];
static struct chain inputs[MOST_PARTS], outputs[MOST_PARTS];
static struct multiplexer multiplexers[MOST_PARTS];
static struct lamp lamps[MOST_LAMPS];
static struct wave waves[MOST_LAMPS];
static int pin_count, conductor_count, input_count, output_count, multiplexer_count, lamp_count;
static int ground, held[MOST_NETS];
static unsigned char low[MOST_NETS];
static int solved;
int wiring_caller = -1;

static uint8_t ports_at(int port, int which) { return chip->data[FIRST_PORT + 3 * port + which]; }
static int is_output(const struct pin *pin) { return (ports_at(pin->port, 1) >> pin->bit) & 1; }
static int is_set(const struct pin *pin) { return (ports_at(pin->port, 2) >> pin->bit) & 1; }

static const struct pin *pin_of(int net) {
  int i;
  for (i = 0; i < pin_count; i++) if (pins[i].net == net) return &pins[i];
  return NULL;
}

/* What the chip drives a net to: high only when it is an output that is set. */
static int driven_high(int net) {
  const struct pin *pin = pin_of(net);
  return pin && is_output(pin) && is_set(pin);
}

int wiring_pin_of(int net, int *port, int *bit) {
  const struct pin *pin = pin_of(net);
  if (!pin) return 0;
  *port = pin->port, *bit = pin->bit;
  return 1;
}

/* Every net that closed contacts and diodes join to ground or to a pin that is driven low. */
static void solve(void) {
  int i, again = 1;
  if (solved) return;
  memset(low, 0, sizeof low);
  low[ground] = 1;
  for (i = 0; i < pin_count; i++) if (is_output(&pins[i]) && !is_set(&pins[i])) low[pins[i].net] = 1;
  while (again) {
    again = 0;
    for (i = 0; i < conductor_count; i++) {
      const struct conductor *c = &conductors[i];
      if (!c->closed || held[c->from]) continue;
      if (low[c->to] && !low[c->from]) low[c->from] = 1, again = 1;
      if (!c->diode && low[c->from] && !low[c->to]) low[c->to] = 1, again = 1;
    }
  }
  solved = 1;
}

int wiring_is_low(int net) {
  solve();
  return low[net];
}

int wiring_is_driven_high(int net) { return driven_high(net); }

static int contact_closed_on(int net) {
  int i;
  for (i = 0; i < conductor_count; i++) if (conductors[i].from == net && conductors[i].closed) return 1;
  return 0;
}

/* The level of a net that the chip listens to. What nothing holds or drives floats: it is then taken for low, the worst. */
static int level_of(const struct pin *pin) {
  int i, bit, channel, net = pin->net;
  for (i = 0; i < input_count; i++) {
    const struct chain *c = &inputs[i];
    if (c->data == net) return c->bits[0];
  }
  if (held[net]) return contact_closed_on(net);
  if (!is_set(pin)) return 0;
  for (i = 0; i < multiplexer_count; i++) {
    const struct multiplexer *m = &multiplexers[i];
    if (m->data != net) continue;
    for (channel = bit = 0; bit < 4; bit++) if (m->select[bit] >= 0 && driven_high(m->select[bit])) channel |= 1 << bit;
    return channel >= m->lines || m->net[channel] < 0 || !low[m->net[channel]];
  }
  return !low[net];
}

static uint8_t read_port(struct avr_t *avr, avr_io_addr_t addr, void *param) {
  int port = (addr - FIRST_PORT) / 3, i;
  uint8_t value = (uint8_t)(avr->data[addr + 2] & (avr->data[addr + 1] | 0xFF));
  (void)param;
  solve();
  for (i = 0; i < pin_count; i++) {
    const struct pin *pin = &pins[i];
    int high;
    if (pin->port != port) continue;
    high = is_output(pin) ? is_set(pin) : level_of(pin);
    value = (uint8_t)(high ? value | (1 << pin->bit) : value & ~(1 << pin->bit));
  }
  return value;
}

/* 74HC165: loads while the latch is low; a rising clock brings the next bit, the last input of the first register first. */
static void move_inputs(struct chain *c) {
  int latch = driven_high(c->latch), clock = driven_high(c->clock), i;
  if (!latch) {
    solve();
    for (i = 0; i < c->lines; i++) {
      int from = (i & ~7) | (7 - (i & 7));
      c->bits[i] = (unsigned char)(c->net[from] < 0 ? 0 : !low[c->net[from]]);
    }
  } else if (clock && !c->was_clock) {
    memmove(c->bits, c->bits + 1, (size_t)(c->lines - 1));
    c->bits[c->lines - 1] = 0;
  }
  c->was_clock = clock;
}

/* 74HC595: a rising clock shifts towards the end of the chain, a rising latch shows. */
static void move_outputs(struct chain *c) {
  int latch = driven_high(c->latch), clock = driven_high(c->clock);
  if (clock && !c->was_clock) {
    memmove(c->bits + 1, c->bits, (size_t)(c->lines - 1));
    c->bits[0] = (unsigned char)driven_high(c->data);
  }
  if (latch && !c->was_latch) memcpy(c->shown, c->bits, (size_t)c->lines);
  c->was_clock = clock;
  c->was_latch = latch;
}

/* So many cycles are half a wave. */
static avr_cycle_count_t half_of(const struct lamp *lamp) { return (avr_cycle_count_t)(CYCLES_A_SECOND / 2 / lamp->b); }

static int sounds(int nth) { return waves[nth].edges > 0 && chip->cycle - waves[nth].at < half_of(&lamps[nth]) * 3 / 2; }

static void move_sounder(int nth) {
  struct wave *wave = &waves[nth];
  int level = driven_high(lamps[nth].a);
  if (level == wave->level) return;
  /* The last change of all ends the tone, at whatever time: only what another one follows counts. */
  if (sounds(nth) && wave->before > 0) {
    if (wave->shortest == 0 || wave->before < wave->shortest) wave->shortest = wave->before;
    if (wave->before > wave->longest) wave->longest = wave->before;
  }
  wave->before = sounds(nth) ? (unsigned long)(chip->cycle - wave->at) : 0;
  wave->edges++;
  wave->level = level;
  wave->at = chip->cycle;
}

void wiring_tell_waves(void (*tell)(int lamp, unsigned long edges, unsigned long shortest, unsigned long longest)) {
  int i;
  for (i = 0; i < lamp_count; i++)
    if (lamps[i].kind == 't') tell(i, waves[i].edges, waves[i].shortest, waves[i].longest);
}

static void write_port(struct avr_t *avr, avr_io_addr_t addr, uint8_t value, void *param) {
  int i;
  (void)param;
  avr->data[addr] = value;
  solved = 0;
  for (i = 0; i < input_count; i++) move_inputs(&inputs[i]);
  for (i = 0; i < output_count; i++) move_outputs(&outputs[i]);
  for (i = 0; i < lamp_count; i++) if (lamps[i].kind == 't') move_sounder(i);
  lights_look(avr);
  segments_look();
}

static void join_ports(void) {
  int port, which;
  for (port = 0; port < PORTS; port++) {
    avr_io_addr_t at = (avr_io_addr_t)(FIRST_PORT + 3 * port);
    chip->io[AVR_DATA_TO_IO(at)].r.c = read_port;
    for (which = 1; which <= 2; which++) {
      chip->io[AVR_DATA_TO_IO(at + which)].w.c = write_port;
      chip->io[AVR_DATA_TO_IO(at + which)].r.c = NULL;
    }
  }
}

static int read_numbers(const char *text, int *to, int most) {
  int n = 0, used;
  while (n < most && sscanf(text, "%d%n", &to[n], &used) == 1) {
    text += used;
    n++;
  }
  return n;
}

/* The chip's transmitter and receiver are at one pin only each, the fourth and the third of port D; clock and data of a two-wire bus the first and
 * the second. */
static int is_serial(int net, int at) {
  int port, bit;
  if (wiring_pin_of(net, &port, &bit) && port == 2 && bit == at) return 1;
  fprintf(stderr, "this is no serial pin\n");
  return 0;
}

static int add_part(const char *word, const int *n, int count) {
  if (strcmp(word, "ground") == 0) ground = n[0];
  else if (strcmp(word, "held") == 0) held[n[0]] = 1;
  else if (strcmp(word, "pin") == 0) pins[pin_count++] = (struct pin){n[0], (n[1] - FIRST_PORT) / 3, n[2]};
  else if (strcmp(word, "contact") == 0) conductors[conductor_count++] = (struct conductor){n[0], n[1], n[2], 0};
  else if (strcmp(word, "in-register") == 0 || strcmp(word, "out-register") == 0) {
    struct chain *c = word[0] == 'i' ? &inputs[input_count++] : &outputs[output_count++];
    c->clock = n[0], c->latch = n[1], c->data = n[2], c->enable = n[3], c->lines = count - 4;
    memcpy(c->net, n + 4, sizeof(int) * (size_t)(count - 4));
    memset(c->shown, 1, sizeof c->shown);
  } else if (strcmp(word, "multiplexer") == 0) {
    struct multiplexer *m = &multiplexers[multiplexer_count++];
    memcpy(m->select, n, sizeof m->select);
    m->data = n[4], m->lines = count - 5;
    memcpy(m->net, n + 5, sizeof(int) * (size_t)(count - 5));
  } else if (strcmp(word, "light") == 0) lights_add(n[0]);
  else if (strcmp(word, "transmitter") == 0) return is_serial(n[0], 3);
  else if (strcmp(word, "receiver") == 0) return is_serial(n[0], 2);
  else if (strcmp(word, "bus") == 0) return is_serial(n[0], 0) && is_serial(n[1], 1);
  else if (strcmp(word, "segments") == 0) segments_add(n);
  else if (strcmp(word, "display") == 0) displays_add(n);
  else if (strcmp(word, "expander") == 0) expanders_add(n);
  else if (strcmp(word, "wiper") == 0) wipers_add(n);
  else if (strcmp(word, "ladder") == 0) ladders_add(n, count);
  else if (strcmp(word, "lamp") == 0) lamps[lamp_count++] = (struct lamp){n[0], n[1], n[2], 0, 0};
  else return 0;
  return 1;
}

int wiring_read(const char *path, avr_t *avr) {
  static char line[8192];
  static int numbers[MOST_LINES + 8];
  char word[16];
  int used;
  FILE *file = fopen(path, "r");
  chip = avr;
  if (!file) return 0;
  while (fgets(line, sizeof line, file)) {
    if (sscanf(line, "%15s%n", word, &used) != 1) continue;
    if (strcmp(word, "caller") == 0) {
      wiring_caller = atoi(line + used);
      continue;
    }
    if (!add_part(word, numbers, read_numbers(line + used, numbers, MOST_LINES + 8))) return 0;
  }
  fclose(file);
  join_ports();
  expanders_join(avr);
  displays_join(avr);
  ladders_join(avr);
  return 1;
}

/* The levels that the chip's inputs see, one for each pin. */
static void listen_to(int *levels) {
  int i;
  solve();
  for (i = 0; i < pin_count; i++) levels[i] = !is_output(&pins[i]) && level_of(&pins[i]);
}

/* Pins whose level has changed by it are told, so that they interrupt where they are asked to. */
void wiring_set_contact(int contact, int closed) {
  int before[64], after[64], i;
  listen_to(before);
  if (contact < conductor_count) conductors[contact].closed = closed;
  else ladders_press(contact - conductor_count, closed);
  solved = 0;
  listen_to(after);
  for (i = 0; i < pin_count; i++) {
    avr_irq_t *pin = avr_io_getirq(chip, AVR_IOCTL_IOPORT_GETIRQ((char)('B' + pins[i].port)), pins[i].bit);
    if (before[i] == after[i]) continue;
    /* The simulator knows edges by the level that it was told last. */
    avr_raise_irq(pin, (uint32_t)before[i]);
    avr_raise_irq(pin, (uint32_t)after[i]);
  }
}

static int is_lit(const struct lamp *lamp) {
  if (lamp->kind == 'p') return driven_high(lamp->a);
  if (lamp->kind == 'r') return !outputs[lamp->a].shown[lamp->b] && !(outputs[lamp->a].enable >= 0 && driven_high(outputs[lamp->a].enable));
  solve();
  return driven_high(lamp->a) && low[lamp->b];
}

/* Lamps between line pairs take turns: to the eye one glows on until all others have had theirs. */
static int glows(struct lamp *lamp) {
  if (is_lit(lamp)) lamp->glows = lamp_count;
  else if (lamp->glows > 0) lamp->glows--;
  return lamp->glows > 0;
}

void wiring_tell_lamps(void (*tell)(int lamp, int lit)) {
  int i;
  for (i = 0; i < lamp_count; i++) {
    int lit = lamps[i].kind == 'x' ? glows(&lamps[i]) : lamps[i].kind == 't' ? sounds(i) : is_lit(&lamps[i]);
    if (lit != lamps[i].told) tell(i, lit);
    lamps[i].told = lit;
  }
}

void wiring_start_afresh(void) {
  int i;
  for (i = 0; i < conductor_count; i++) conductors[i].closed = 0;
  for (i = 0; i < lamp_count; i++) lamps[i].told = lamps[i].glows = 0;
  ladders_start_afresh();
  wipers_start_afresh();
  lights_start_afresh();
  segments_start_afresh();
  expanders_start_afresh();
  displays_start_afresh();
  solved = 0;
}
