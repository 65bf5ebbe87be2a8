/* The device runtime: what a board calls (ov_init, ov_scan) and what a board gives (the ov_hal_ functions).
 * C99, no heap, no floating point, no recursion. What it does is specified, in examples, in docs/device-behaviour.md. */
#ifndef OVRIN_H
#define OVRIN_H

#include <stdint.h>

#define OV_MAX_SWITCHES 128
#define OV_MAX_ENCODERS 16
#define OV_MAX_LAYERS 16
#define OV_MAX_LAMPS 32
#define OV_MAX_BANKS 8
#define OV_MAX_GROUPS 64
#define OV_NONE 0xFF

#define OV_INTERFACE_KEYBOARD 0
#define OV_INTERFACE_CONSUMER 1

/* Called by the board: once at the start, then once every millisecond. */
void ov_init(void);
void ov_scan(void);
/* Called by the board when the host sends the keyboard's output report: bit 0 num, 1 caps, 2 scroll lock. */
void ov_host_locks(uint8_t locks);

/* For looking in from outside: the debounced state of a switch, and whether a layer is held or the home layer. */
uint8_t ov_switch_closed(uint8_t sw);
uint8_t ov_layer_active(uint8_t layer);

/* Given by the board. Lines are numbered as in the generated pin list. */
void ov_hal_strobe(uint8_t line);          /* drive one strobe line low */
void ov_hal_release(uint8_t line);         /* let it float again */
void ov_hal_settle(uint8_t us);            /* wait until the sense lines have settled */
uint16_t ov_hal_read(uint8_t bank);        /* 16 sense lines, pulled up: bit 1 = high, 0 = low */
void ov_hal_lamp(uint8_t line, uint8_t on);
/* Hand a report to the host side. 0 = not taken (endpoint busy): the runtime offers the newest state again. */
uint8_t ov_hal_report(uint8_t interface, const uint8_t *bytes, uint8_t length);

#endif
