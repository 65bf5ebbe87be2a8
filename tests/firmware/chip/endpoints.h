/* What the chip's USB side has room for, which the simulator does not check: endpoints.c. */
#ifndef OV_ENDPOINTS_H
#define OV_ENDPOINTS_H

#include <simavr/sim_avr.h>

/* Watches how the endpoints are set up. */
void endpoints_watch(struct avr_t *avr);
void endpoints_forget(void);
/* Holds what was set up against a configuration descriptor and the chip; 0 and a line on stderr when they disagree. */
int endpoints_agree(const uint8_t *descriptor, int length);

#endif
