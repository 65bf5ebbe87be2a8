/* Displays of dots on the two-wire bus, alone or behind bus multiplexers, which join the branches whose bits they were told last (from memory). */
#include "displays.h"
#include "parts.h"

#include <simavr/avr_twi.h>
#include <stdio.h>
#include <string.h>

#define MOST 8
#define MOST_BYTES 160
#define MOST_FRAMES 16
#define SCL_BIT 0 /* port D, from memory */
#define SDA_BIT 1

struct frame { int display, length; unsigned char bytes[MOST_BYTES]; };

static struct { int address, multiplexer, branch; } displays[MOST];
static unsigned char branches_on[128]; /* by the multiplexer's address */
static int count, is_wrong, spoken_to = -1, multiplexer = -1, frames;
static struct frame told[MOST_FRAMES], now;
static avr_irq_t *to_chip;

static int is_multiplexer(int address) {
  int i;
  for (i = 0; i < count; i++) if (displays[i].multiplexer == address) return address != 0;
  return 0;
}

void displays_add(const int *n) {
  int port, bit;
  if (!wiring_pin_of(n[0], &port, &bit) || port != 2 || bit != SCL_BIT) is_wrong = 1;
  if (!wiring_pin_of(n[1], &port, &bit) || port != 2 || bit != SDA_BIT) is_wrong = 1;
  displays[count].address = n[2];
  displays[count].multiplexer = n[3];
  displays[count++].branch = n[4];
}

static void end(void) {
  if (spoken_to >= 0) {
    if (frames == MOST_FRAMES) frames = 0; /* nobody asks while the device comes of age */
    now.display = spoken_to;
    told[frames++] = now;
  }
  spoken_to = multiplexer = -1;
}

static void begin(int address) {
  int i;
  now.length = 0;
  if (is_multiplexer(address)) multiplexer = address;
  for (i = 0; i < count; i++) {
    int is_joined = displays[i].multiplexer == 0 || branches_on[displays[i].multiplexer] & displays[i].branch;
    if (displays[i].address != address || !is_joined) continue;
    if (spoken_to >= 0) is_wrong = 1; /* two answer at once */
    spoken_to = i;
  }
}

static void take(unsigned char byte) {
  if (multiplexer >= 0) branches_on[multiplexer] = byte;
  else if (now.length == MOST_BYTES) is_wrong = 1;
  else now.bytes[now.length++] = byte;
}

static void heard(struct avr_irq_t *irq, uint32_t value, void *param) {
  avr_twi_msg_irq_t message;
  (void)irq, (void)param;
  message.u.v = value;
  if (message.u.twi.msg & TWI_COND_STOP) end();
  if (message.u.twi.msg & TWI_COND_START) {
    end();
    begin(message.u.twi.addr >> 1);
    if (spoken_to >= 0 || multiplexer >= 0) avr_raise_irq(to_chip, avr_twi_irq_msg(TWI_COND_ACK, message.u.twi.addr, 1));
  }
  if ((spoken_to >= 0 || multiplexer >= 0) && message.u.twi.msg & TWI_COND_WRITE) {
    take(message.u.twi.data);
    avr_raise_irq(to_chip, avr_twi_irq_msg(TWI_COND_ACK, message.u.twi.addr, 1));
  }
}

void displays_join(avr_t *avr) {
  if (count == 0) return;
  to_chip = avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_INPUT);
  avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_OUTPUT), heard, NULL);
}

void displays_start_afresh(void) {
  memset(branches_on, 0, sizeof branches_on);
  frames = 0;
  spoken_to = multiplexer = -1;
}

int displays_tell(void (*tell)(int display, const unsigned char *bytes, int length)) {
  int nth;
  for (nth = 0; nth < frames; nth++) tell(told[nth].display, told[nth].bytes, told[nth].length);
  frames = 0;
  if (is_wrong) fprintf(stderr, "two displays answer at once, or none can\n");
  return !is_wrong;
}
