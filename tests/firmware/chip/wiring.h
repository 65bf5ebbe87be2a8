/* The parts around the simulated chip: contacts, diodes, registers, multiplexers and lamps, wired to its pins. */
#ifndef OV_WIRING_H
#define OV_WIRING_H

#include <simavr/sim_avr.h>

/* Reads the wiring, one part a line (tests/firmware/chipWiring.ts writes it), and joins it to the chip's ports. */
int wiring_read(const char *path, avr_t *avr);
void wiring_set_contact(int contact, int closed);
/* Tells each lamp that shows something else than before. */
void wiring_tell_lamps(void (*tell)(int lamp, int lit));
/* Of each sounder with a tone: how often its level changed, and the fewest and most cycles between two changes while it sounded. */
void wiring_tell_waves(void (*tell)(int lamp, unsigned long edges, unsigned long shortest, unsigned long longest));
void wiring_start_afresh(void);

/* Where a module calls, or -1. */
extern int wiring_caller;

#endif
