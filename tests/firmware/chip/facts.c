/* What the simulated chip says of its own pins, one fact a line. Usage: facts MCU
 *   port LETTER ADDRESS CHANGES      input register of a port, and whether its pins can interrupt on any change
 *   interrupt LETTER BIT             a pin with an interrupt of its own
 *   channel NUMBER                   a channel of the converter
 *   pwm ADDRESS BIT                  a timer's output, by the address of the port's level register */
#include <stdio.h>
#include <string.h>

#include <simavr/avr_adc.h>
#include <simavr/avr_extint.h>
#include <simavr/avr_ioport.h>
#include <simavr/avr_timer.h>
#include <simavr/sim_avr.h>

static void tell_port(const avr_ioport_t *port) {
  printf("port %c %d %d\n", port->name, port->r_pin, port->r_pcint != 0);
}

static void tell_interrupts(const avr_extint_t *all) {
  int i;
  for (i = 0; i < EXTINT_COUNT; i++)
    if (all->eint[i].port_ioctl) printf("interrupt %c %d\n", (char)(all->eint[i].port_ioctl & 0xFF), all->eint[i].port_pin);
}

static void tell_converter(const avr_adc_t *converter) {
  unsigned i;
  for (i = 0; i < sizeof converter->muxmode / sizeof *converter->muxmode; i++)
    if (converter->muxmode[i].kind == ADC_MUX_SINGLE) printf("channel %d\n", (int)converter->muxmode[i].src);
}

static void tell_timer(const avr_timer_t *timer) {
  int i;
  for (i = 0; i < AVR_TIMER_COMP_COUNT; i++)
    if (timer->comp[i].com_pin.reg) printf("pwm %d %d\n", timer->comp[i].com_pin.reg, timer->comp[i].com_pin.bit);
}

int main(int argc, char **argv) {
  avr_t *avr = argc > 1 ? avr_make_mcu_by_name(argv[1]) : NULL;
  const avr_io_t *io;
  if (!avr) return 2;
  avr->log = 0;
  avr_init(avr);
  for (io = avr->io_port; io; io = io->next) {
    if (strcmp(io->kind, "port") == 0) tell_port((const avr_ioport_t *)(const void *)io);
    else if (strcmp(io->kind, "extint") == 0) tell_interrupts((const avr_extint_t *)(const void *)io);
    else if (strcmp(io->kind, "adc") == 0) tell_converter((const avr_adc_t *)(const void *)io);
    else if (strcmp(io->kind, "timer") == 0) tell_timer((const avr_timer_t *)(const void *)io);
  }
  return 0;
}
