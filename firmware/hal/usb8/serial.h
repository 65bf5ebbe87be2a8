/* A serial port over USB, by which lines of text tell a panel: serial.c. */
#ifndef OV_SERIAL_H
#define OV_SERIAL_H

#include <stdint.h>

#include "with.h"

#define OV_HAS_SERIAL (OV_WITH_LINES && OV_WITH_PANEL)

/* Sets its endpoints up, behind those of the reports. */
void ov_serial_open(void);
/* Takes one byte, if one has come: so a scan is never late for lines, and at least one is taken for each. */
void ov_serial_pass(void);
/* Bytes of what a host tells of the line: bits a second (32 bits), stop bits, parity, data bits (PSTN 1.2, table 17). */
#define OV_CODING_BYTES 7
extern uint8_t ov_serial_coding[OV_CODING_BYTES];
/* Whether a request is for its first interface. */
uint8_t ov_serial_is_at(uint8_t interface);
/* Whether that endpoint is the one from the computer. */
uint8_t ov_serial_is_out(uint8_t endpoint);

#endif
