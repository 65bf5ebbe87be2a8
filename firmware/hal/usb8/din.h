/* What of a socket's bytes the transmitter has room for. */
#ifndef OV_USB8_DIN_H
#define OV_USB8_DIN_H

#include "with.h"

#if OV_WITH_DIN
void ov_din_pass(void);
#else
static inline void ov_din_pass(void) {}
#endif

#endif
