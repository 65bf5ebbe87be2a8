/* Parts on the simulated chip's bus and converter, and what they ask of the wiring. */
#ifndef OV_PARTS_AROUND_H
#define OV_PARTS_AROUND_H

#include <simavr/sim_avr.h>

/* wiring.c */
int wiring_is_low(int net);
int wiring_is_driven_high(int net);
int wiring_pin_of(int net, int *port, int *bit); /* port 0 is B */

/* expanders.c: clock and data net, address, the nets of its sixteen lines */
void expanders_add(const int *numbers);
void expanders_join(avr_t *avr);
void expanders_start_afresh(void);

/* ladders.c: line net, pull-down in ohm, top net or -1, then each resistor from the ground up in ohm */
void ladders_add(const int *numbers, int count);
void ladders_join(avr_t *avr);
void ladders_press(int rung, int pressed); /* counted over all banks */
void ladders_start_afresh(void);
int converter_channel_of(int net); /* -1: none */

/* wipers.c: line net, select nets or -1, channel, where it rests */
void wipers_add(const int *numbers);
void wipers_set(int wiper, unsigned level);
long wipers_level(int channel);
void wipers_start_afresh(void);

#endif
