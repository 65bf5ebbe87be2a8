/* Displays of dots around the simulated chip. */
#ifndef OV_DISPLAYS_H
#define OV_DISPLAYS_H

#include <simavr/sim_avr.h>

/* Clock and data net, address, address of the bus multiplexer before it or 0, and the bit of its branch. */
void displays_add(const int *numbers);
void displays_join(avr_t *avr);
void displays_start_afresh(void);
/* Tells each frame that was written. @returns 0 when two displays answered at once */
int displays_tell(void (*tell)(int display, const unsigned char *bytes, int length));

#endif
