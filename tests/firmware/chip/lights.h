/* Chains of addressable lights on the simulated chip's pins. */
#ifndef OV_LIGHTS_AROUND_H
#define OV_LIGHTS_AROUND_H

#include <simavr/sim_avr.h>

void lights_add(int net);
/* After each write to a port: whether a line has risen or fallen. */
void lights_look(avr_t *avr);
void lights_start_afresh(void);
/* Tells the bytes of each chain that was sent some. 0, and a line on stderr, when a bit was none. */
int lights_tell(void (*tell)(int chain, const unsigned char *bytes, int count));
/* Whether a chain has been sent bytes since this was asked last, and for how many cycles. */
long lights_sent(void);
/* The longest time that a line stayed low between two bits, in cycles. */
long lights_pause(void);

#endif
