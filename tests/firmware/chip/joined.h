/* The serial line to another simulated chip, in a process of its own. Both go in steps of the time that a byte takes, each waiting for the other, and
 * one that has nothing to do follows. */
#ifndef OV_JOINED_H
#define OV_JOINED_H

#include <simavr/sim_avr.h>

/* Named pipes: what comes from the other, and what goes to it. */
int joined_open(avr_t *avr, const char *from, const char *to);
void joined_step(void);                    /* after each instruction */
void joined_wait(void (*run_one)(void));   /* until there is an order to read */
void joined_set(int is_cut, int damaged_of); /* what comes is lost, or one byte of so many comes as another */

#endif
