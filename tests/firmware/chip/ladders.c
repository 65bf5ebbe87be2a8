/* Banks of resistors from ground to a top pin; a pressed key joins its place to the common line, which has one
 * resistor to ground and the converter on it. Ohm's law: what lies between pressed places is shorted. */
#include "parts.h"

#include <simavr/avr_adc.h>
#include <stddef.h>
#include <string.h>

#define MOST 16
#define MOST_RUNGS 32
#define SUPPLY_MV 5000.0
#define RESULT_AT 0x78 /* data addresses (from memory) */
#define ADMUX_AT 0x7C
#define ADLAR 0x20

struct bank { int line, pull_down, top, rungs, ohm[MOST_RUNGS]; unsigned char pressed[MOST_RUNGS]; };

static struct bank banks[MOST];
static int count;
static unsigned result;

void ladders_add(const int *n, int numbers) {
  struct bank *b = &banks[count++];
  b->line = n[0], b->pull_down = n[1], b->top = n[2], b->rungs = numbers - 3;
  memcpy(b->ohm, n + 3, sizeof(int) * (size_t)b->rungs);
}

void ladders_press(int rung, int pressed) {
  int i;
  for (i = 0; i < count; rung -= banks[i].rungs, i++) {
    if (rung < banks[i].rungs) {
      banks[i].pressed[rung] = (unsigned char)pressed;
      return;
    }
  }
}

void ladders_start_afresh(void) {
  int i, rung;
  for (i = 0; i < count; i++) for (rung = 0; rung < banks[i].rungs; rung++) banks[i].pressed[rung] = 0;
}

/* The converter's channel behind a pin: by port and bit (from memory). */
int converter_channel_of(int net) {
  static const struct { int port, bit, channel; } places[] = {
      {4, 0, 0}, {4, 1, 1}, {4, 4, 4}, {4, 5, 5}, {4, 6, 6},  {4, 7, 7},
      {2, 4, 8}, {2, 6, 9}, {2, 7, 10}, {0, 4, 11}, {0, 5, 12}, {0, 6, 13}};
  unsigned i;
  int port, bit;
  if (!wiring_pin_of(net, &port, &bit)) return -1;
  for (i = 0; i < sizeof places / sizeof places[0]; i++) if (places[i].port == port && places[i].bit == bit) return places[i].channel;
  return -1;
}

/* Resistors of a bank from one place up to another, counted from the ground. */
static double between(const struct bank *b, int from, int to) {
  double sum = 0;
  for (; from < to; from++) sum += b->ohm[from];
  return sum;
}

/* Conductances of a bank from the line to ground and to the supply; 1 when the line lies on the supply itself. */
static int add_bank(const struct bank *b, double *to_ground, double *to_supply) {
  int lowest = 0, highest = 0, place;
  int powered = b->top < 0 || wiring_is_driven_high(b->top);
  for (place = b->rungs; place > 0; place--) if (b->pressed[place - 1]) lowest = place;
  for (place = 1; place <= b->rungs; place++) if (b->pressed[place - 1]) highest = place;
  if (lowest == 0) return 0;
  *to_ground += 1.0 / between(b, 0, lowest);
  if (powered && highest == b->rungs) return 1;
  if (powered) *to_supply += 1.0 / between(b, highest, b->rungs);
  return 0;
}

static double line_mv(int line, int pull_down) {
  double to_ground = 1.0 / pull_down, to_supply = 0;
  int i;
  for (i = 0; i < count; i++) if (banks[i].line == line && add_bank(&banks[i], &to_ground, &to_supply)) return SUPPLY_MV;
  return SUPPLY_MV * to_supply / (to_supply + to_ground);
}

/* The converter starts: it gets what lies on the channel it was set to, and nothing on a channel without a ladder or a wiper. The
 * simulator keeps voltages of eight channels only, so the two result registers are answered here. */
static void asked(struct avr_irq_t *irq, uint32_t value, void *param) {
  union { avr_adc_mux_t mux; uint32_t v; } question = {.v = value};
  long wiper = wipers_level(question.mux.src);
  double mv = 0;
  int i;
  (void)irq, (void)param;
  for (i = 0; i < count; i++) if (converter_channel_of(banks[i].line) == question.mux.src) mv = line_mv(banks[i].line, banks[i].pull_down);
  result = wiper < 0 ? (unsigned)(mv * 1023 / SUPPLY_MV + 0.5) : (unsigned)wiper >> 6;
}

/* Ten bits, at the bottom of the two registers or, when it is so set, at their top. */
static uint8_t read_result(struct avr_t *avr, avr_io_addr_t addr, void *param) {
  unsigned shown = avr->data[ADMUX_AT] & ADLAR ? result << 6 : result;
  (void)param;
  return (uint8_t)(addr == RESULT_AT ? shown : shown >> 8);
}

void ladders_join(avr_t *avr) {
  avr->vcc = avr->avcc = avr->aref = (uint32_t)SUPPLY_MV;
  avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_ADC_GETIRQ, ADC_IRQ_OUT_TRIGGER), asked, NULL);
  avr->io[AVR_DATA_TO_IO(RESULT_AT)].r.c = avr->io[AVR_DATA_TO_IO(RESULT_AT + 1)].r.c = read_result;
}
