#define _POSIX_C_SOURCE 200809L
#include "joined.h"

#include <fcntl.h>
#include <poll.h>
#include <stdio.h>
#include <stdlib.h>
#include <unistd.h>

#include <simavr/avr_uart.h>

#define STEP_CYCLES 640 /* ten bits at 250,000 a second */
#define MOST 8

static avr_t *chip;
static int from_other, to_other;
static avr_cycle_count_t step_ends;
static unsigned char leaving[1 + MOST]; /* how many, then they */
static int cut, one_of;
static unsigned long random_now = 1;

static void on_sent(struct avr_irq_t *irq, uint32_t value, void *p) {
  (void)irq; (void)p;
  if (leaving[0] == MOST) exit(7);
  leaving[1 + leaving[0]++] = (unsigned char)value;
}

static void take(unsigned char byte) {
  if (cut) return;
  random_now = random_now * 1103515245ul + 12345ul;
  if (one_of > 0 && (random_now >> 16) % (unsigned long)one_of == 0) byte ^= (unsigned char)(1u << ((random_now >> 8) & 7));
  avr_raise_irq(avr_io_getirq(chip, AVR_IOCTL_UART_GETIRQ('1'), UART_IRQ_INPUT), byte);
}

static void get(unsigned char *bytes, size_t count) {
  while (count > 0) {
    ssize_t got = read(from_other, bytes, count);
    if (got <= 0) exit(0); /* the other one has ended */
    bytes += got;
    count -= (size_t)got;
  }
}

static void exchange(void) {
  unsigned char count, bytes[MOST], i;
  if (write(to_other, leaving, 1u + leaving[0]) < 0) exit(0);
  leaving[0] = 0;
  get(&count, 1);
  get(bytes, count);
  for (i = 0; i < count; i++) take(bytes[i]);
}

int joined_open(avr_t *avr, const char *from, const char *to) {
  chip = avr;
  /* Open both ways, nobody waits for the other one to open it. */
  from_other = open(from, O_RDWR);
  to_other = open(to, O_RDWR);
  step_ends = STEP_CYCLES;
  avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_UART_GETIRQ('1'), UART_IRQ_OUTPUT), on_sent, NULL);
  return from_other >= 0 && to_other >= 0;
}

void joined_step(void) {
  if (!chip || chip->cycle < step_ends) return;
  step_ends += STEP_CYCLES;
  exchange();
}

void joined_wait(void (*run_one)(void)) {
  struct pollfd either[2] = {{STDIN_FILENO, POLLIN, 0}, {from_other, POLLIN, 0}};
  if (!chip) return;
  for (;;) {
    avr_cycle_count_t end = step_ends;
    if (poll(either, 2, -1) < 0) exit(7);
    if (either[0].revents) return;
    while (step_ends == end) run_one();
  }
}

void joined_set(int is_cut, int damaged_of) {
  cut = is_cut;
  one_of = damaged_of;
}
