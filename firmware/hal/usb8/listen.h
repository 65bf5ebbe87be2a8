/* Notes that the computer plays over USB: listen.c. */
#ifndef OV_LISTEN_H
#define OV_LISTEN_H

#include <stdint.h>

#include "with.h"

#define OV_HEARS_NOTES (OV_WITH_HEARD && OV_WITH_PANEL)

/* Sets its endpoint up, behind those of the reports. */
void ov_listen_open(void);
/* Takes one event, if one has come. */
void ov_listen_pass(void);

#endif
