/* A two-wire controller of the chip's class, as its states are described (from memory): the simulator has half of it. One byte takes nine clocks of 16
 * and twice TWBR cycles, also where another part speaks, which has the same clock. */
#include "modules.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include <simavr/avr_twi.h>
#include <simavr/sim_io.h>

#define BIT(n) (1u << (n))
enum { TWBR_AT = 0xB8, TWSR_AT, TWAR_AT, TWDR_AT, TWCR_AT };
enum { TWINT = BIT(7), TWEA = BIT(6), TWSTA = BIT(5), TWSTO = BIT(4), TWEN = BIT(2), TWIE = BIT(0) };
enum { MOST = 256, PARTS = 8, QUEUE = 32 };

static avr_t *chip;
static avr_int_vector_t *vector;
static void (*told)(const char *what, const unsigned char *bytes, int count);

/* Of the controller: what comes next, and what it is told of that. */
static unsigned char next_state;
static int is_waiting; /* an interrupt has not been answered */
/* As a main part: */
static enum { IDLE, STARTING, ADDRESSING, WRITING, READING } mode;
static unsigned char frame[MOST], says[PARTS][MOST];
static int written, counts[PARTS], asked, read_at;
/* As a module: transfers that come, one behind the other; each is addressing, bytes, and the end. */
static struct transfer { int asks, count; unsigned char bytes[MOST]; } queue[QUEUE];
static int first, last, at, is_on;
static int is_held; /* somebody holds the bus: nothing on it ends */

static unsigned char *reg(int which) { return &chip->data[which]; }
static avr_cycle_count_t byte_cycles(void) { return 9u * (16u + 2u * *reg(TWBR_AT)); }

static avr_cycle_count_t interrupt(avr_t *avr, avr_cycle_count_t when, void *param) {
  (void)avr; (void)when; (void)param;
  *reg(TWSR_AT) = next_state;
  is_waiting = 1;
  avr_raise_interrupt(chip, vector);
  return 0;
}

static void later(unsigned char state, avr_cycle_count_t cycles) {
  if (is_held) return;
  next_state = state;
  avr_cycle_timer_register(chip, cycles, interrupt, NULL);
}

/* What was written to all is over. */
static void end_writing(void) {
  if (mode == WRITING) told("told", frame, written);
  written = 0;
}

static void address(void) {
  unsigned char to = *reg(TWDR_AT);
  int module = (to >> 1) - 0x30;
  if (to == 0) {
    mode = WRITING;
    later(0x18, byte_cycles());
    return;
  }
  asked = module > 0 && module < PARTS && (to & 1) ? module : 0;
  read_at = 0;
  mode = READING;
  if (asked) {
    unsigned char number = (unsigned char)asked;
    told("asks", &number, 1);
  }
  later(asked && counts[asked] ? 0x40 : 0x48, byte_cycles());
}

static void as_main(unsigned char control) {
  if (control & TWSTO) {
    end_writing();
    mode = IDLE;
  }
  if (control & TWSTA) {
    unsigned char state = mode == IDLE ? 0x08 : 0x10;
    end_writing();
    mode = STARTING;
    later(state, 40);
  } else if (mode == STARTING) {
    mode = ADDRESSING;
    address();
  } else if (mode == WRITING) {
    if (written < MOST) frame[written++] = *reg(TWDR_AT);
    later(0x28, byte_cycles());
  } else if (mode == READING) {
    *reg(TWDR_AT) = read_at < counts[asked] ? says[asked][read_at] : 0xFF;
    read_at++;
    later(control & TWEA ? 0x50 : 0x58, byte_cycles());
  }
}

/* The next step of the transfer that goes on, or begins. */
static void as_module(void) {
  struct transfer *now = &queue[first];
  if (first == last) return;
  if (!is_on) {
    is_on = 1;
    at = 0;
    later(now->asks ? 0xA8 : 0x70, byte_cycles());
  } else if (now->asks) {
    int is_over = at > 0 && now->bytes[at - 1] == 0;
    now->bytes[at++] = *reg(TWDR_AT);
    if (!is_over && at < MOST - 1) {
      later(0xB8, byte_cycles());
      return;
    }
    told("said", now->bytes, at - 1);
    first = (first + 1) % QUEUE;
    is_on = 0;
    later(0xC0, byte_cycles());
  } else if (at < now->count) {
    *reg(TWDR_AT) = now->bytes[at++];
    later(0x90, byte_cycles());
  } else {
    first = (first + 1) % QUEUE;
    is_on = 0;
    later(0xA0, byte_cycles());
  }
}

static void on_control(struct avr_t *avr, avr_io_addr_t where, uint8_t value, void *param) {
  (void)param;
  avr->data[where] = value & (uint8_t)~(TWINT | TWSTO);
  if (!(value & TWEN)) {
    mode = IDLE;
    if (is_on) first = (first + 1) % QUEUE;
    is_on = is_waiting = 0;
  }
  if (!(value & TWINT)) {
    if (is_waiting) avr->data[where] |= TWINT;
    return;
  }
  avr_clear_interrupt(avr, vector);
  is_waiting = 0;
  if (!(value & TWEN)) return;
  if (*reg(TWAR_AT)) as_module();
  else as_main(value);
}

void modules_join(avr_t *avr, void (*how)(const char *what, const unsigned char *bytes, int count)) {
  avr_io_t *io;
  chip = avr;
  told = how;
  for (io = avr->io_port; io; io = io->next) {
    if (strcmp(io->kind, "twi") == 0) vector = &((avr_twi_t *)io)->twi;
  }
  if (!vector) exit(8);
  avr->io[AVR_DATA_TO_IO(TWCR_AT)].w.c = on_control;
  avr->io[AVR_DATA_TO_IO(TWDR_AT)].w.c = NULL;
}

void modules_set(int module, const unsigned char *bytes, int count) {
  if (module < 1 || module >= PARTS) return;
  memcpy(says[module], bytes, (size_t)count);
  counts[module] = count;
}

static void put(int asks, const unsigned char *bytes, int count) {
  struct transfer *one = &queue[last];
  int was_idle = first == last && !is_waiting;
  one->asks = asks;
  one->count = count;
  if (count > 0) memcpy(one->bytes, bytes, (size_t)count);
  last = (last + 1) % QUEUE;
  if (last == first) exit(9);
  if (was_idle && !is_on && (chip->data[TWCR_AT] & TWEA)) as_module();
}

void modules_hold(int is) { is_held = is; }

/* It hears what is told to all where it wants to. */
void modules_tell(const unsigned char *bytes, int count) {
  if (*reg(TWAR_AT) & 1) put(0, bytes, count);
}

void modules_ask(int module) {
  if (*reg(TWAR_AT) >> 1 == 0x30 + module) put(1, NULL, 0);
}
