/* The bus between a main part and its modules, of which the chip is one: its own two-wire controller, both ways. */
#ifndef MODULES_H
#define MODULES_H

#include <simavr/sim_avr.h>

/* From now on the chip's controller is this one's. @param told how a line is printed, with its millisecond */
void modules_join(avr_t *avr, void (*told)(const char *what, const unsigned char *bytes, int count));
/* What a module says when it is asked; none: nobody answers there. */
void modules_set(int module, const unsigned char *bytes, int count);
/* Somebody holds the bus, so that nothing on it ends. */
void modules_hold(int is);
/* The main part tells all, or asks this one: behind what goes on already. */
void modules_tell(const unsigned char *bytes, int count);
void modules_ask(int module);

#endif
