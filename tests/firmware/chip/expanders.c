/* The 16-line expander class on the two-wire bus: registers by number, 0x0C and 0x0D the pull-ups, 0x12 and 0x13 the levels
 * (from memory). A line whose pull-up is off floats and is taken for low, the worst. */
#include "parts.h"

#include <simavr/avr_twi.h>
#include <string.h>

#define MOST 8
#define LINES 16
#define PULL_UPS 0x0C
#define LEVELS 0x12
#define SCL_BIT 0 /* port D, from memory */
#define SDA_BIT 1
#define TWCR_AT 0xBC /* data address, from memory */
#define TWEA 0x40
#define TWBR_AT 0xB8 /* as above */

struct expander { int address, net[LINES]; unsigned char registers[32]; };

static struct expander expanders[MOST];
static int count, right_pins = 1;
static struct expander *spoken_to;
static int bytes_taken, at, is_over;
static avr_t *chip;
static avr_irq_t *to_chip;

static void check_pin(int net, int wanted_bit) {
  int port, bit;
  if (!wiring_pin_of(net, &port, &bit) || port != 2 || bit != wanted_bit) right_pins = 0;
}

void expanders_add(const int *n) {
  struct expander *e = &expanders[count++];
  e->address = 0x20 + n[2];
  memcpy(e->net, n + 3, sizeof e->net);
  check_pin(n[0], SCL_BIT);
  check_pin(n[1], SDA_BIT);
}

static unsigned char level_byte(const struct expander *e, int port) {
  unsigned char byte = 0;
  int bit;
  for (bit = 0; bit < 8; bit++) {
    if ((e->registers[PULL_UPS + port] >> bit) & 1 && !wiring_is_low(e->net[8 * port + bit])) byte |= (unsigned char)(1 << bit);
  }
  return byte;
}

static unsigned char next_byte(struct expander *e) {
  int place = at++ & 31;
  return place == LEVELS || place == LEVELS + 1 ? level_byte(e, place - LEVELS) : e->registers[place];
}

/* A byte and its acknowledgement are nine bits of 16 and twice TWBR cycles (from memory). The simulator lets it be ready after less, whatever the
 * clock of the bus is, while this time passes. */
static void take_time(unsigned message) {
  if (message & (TWI_COND_START | TWI_COND_WRITE | TWI_COND_READ)) chip->cycle += 9u * (16u + 2u * chip->data[TWBR_AT]);
}

static void heard(struct avr_irq_t *irq, uint32_t value, void *param) {
  avr_twi_msg_irq_t message;
  int i;
  (void)irq, (void)param;
  message.u.v = value;
  take_time(message.u.twi.msg);
  if (message.u.twi.msg & TWI_COND_STOP) spoken_to = NULL;
  if (message.u.twi.msg & TWI_COND_START) {
    spoken_to = NULL;
    bytes_taken = is_over = 0;
    for (i = 0; i < count; i++) if (right_pins && expanders[i].address == message.u.twi.addr >> 1) spoken_to = &expanders[i];
    if (spoken_to) avr_raise_irq(to_chip, avr_twi_irq_msg(TWI_COND_ACK, message.u.twi.addr, 1));
  }
  if (!spoken_to) return;
  if (message.u.twi.msg & TWI_COND_WRITE) {
    if (bytes_taken++ == 0) at = message.u.twi.data;
    else spoken_to->registers[at++ & 31] = message.u.twi.data;
    avr_raise_irq(to_chip, avr_twi_irq_msg(TWI_COND_ACK, message.u.twi.addr, 1));
  }
  if (message.u.twi.msg & TWI_COND_READ) {
    avr_raise_irq(to_chip, avr_twi_irq_msg(TWI_COND_READ, message.u.twi.addr, is_over ? 0xFF : next_byte(spoken_to)));
    /* A byte that the chip does not acknowledge is the last one. */
    if (!(chip->data[TWCR_AT] & TWEA)) is_over = 1;
  }
}

void expanders_join(avr_t *avr) {
  chip = avr;
  to_chip = avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_INPUT);
  avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_OUTPUT), heard, NULL);
}

void expanders_start_afresh(void) {
  int i;
  for (i = 0; i < count; i++) memset(expanders[i].registers, 0, sizeof expanders[i].registers);
  spoken_to = NULL;
}
