/* The line to the device's other part: what came over it is handed to the runtime. */
#ifndef OV_USB8_PARTLINE_H
#define OV_USB8_PARTLINE_H

#include <stdint.h>

#include "with.h"

#if OV_WITH_LINK
void ov_line_open(void);
void ov_line_came(uint8_t byte); /* told by an interrupt */
void ov_line_pass(void);
#else
static inline void ov_line_open(void) {}
static inline void ov_line_pass(void) {}
#endif

/* Until the main part's controller is free of what modules are told and asked. */
#if OV_WITH_BUS
void ov_parts_wait(void);
#else
static inline void ov_parts_wait(void) {}
#endif

#endif
