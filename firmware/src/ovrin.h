/* The device runtime: what a board calls and what a board gives (the ov_hal_ functions).
 * C99, no heap, no floating point, no recursion. What it does is specified, in examples, in docs/device-behaviour.md. */
#ifndef OVRIN_H
#define OVRIN_H

#include <stdint.h>

#include "contract.h"
#include "with.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Called by the board once at the start. It checks the tables and divides up the arena; unless it answers
 * OV_START_READY (0), the device stays quiet: ov_scan then does nothing. */
uint8_t ov_init(void);
/* Called once every millisecond, with the milliseconds since the last call: 1, or more when a call was late. */
void ov_scan(uint8_t elapsed_ms);
/* Called when the host sends the keyboard's output report: bit 0 num, 1 caps, 2 scroll lock. */
void ov_host_locks(uint8_t locks);
/* Called after a bus reset: the host knows nothing any more, so what is held is told again. */
void ov_host_reset(void);

/* Called when the bus is suspended (1), and when it runs again (0): while the computer sleeps nothing is lit, shown, run or sounded. */
void ov_host_sleeps(uint8_t sleeps);

/* Told by a board whose pins interrupt: at every edge of an encoder's lines its state (bit 1: A closed, bit 0: B closed),
 * first where it rests, after ov_init and before the first scan. It is not sampled then, and loses no step between two
 * scans. May be called from an interrupt, which must not interrupt itself. Others never call it. */
void ov_encoder_edge(uint8_t encoder, uint8_t state);

/* Live changes: the interface OV_REPORT_LIVE takes frames of OV_FRAME_BYTES from the host and gives them back answered. A
 * frame goes into ov_live_place, unless that is 0 (none is taken now), and is then told by ov_live_asked; between two
 * scans only. ov_live_frame is what the host gets when it asks, 0 on a device without live changes. */
uint8_t *ov_live_place(void);
void ov_live_asked(void);
const uint8_t *ov_live_frame(void);

/* What the computer tells a panel: OV_PANEL_BYTES of the output report of the interface OV_REPORT_PANEL go there, between two scans
 * only; 0 on a device without one. */
uint8_t *ov_panel_place(void);

/* A byte that came over a serial port, of lines that tell a panel ("value 2 200", "flag 3 1"). Between two scans only. */
void ov_line_byte(uint8_t byte);
/* An event that the computer plays to a panel, as USB brings it: four bytes, its kind, its status and two values. Between two scans only. */
void ov_music_heard(const uint8_t *event);

/* What came back on the acknowledgement of a radio's packet: what a panel is told, OV_PANEL_BYTES, and behind it the packet's check value.
 * Between two scans only. 0 where nothing is expected there, or the check value does not fit; then nothing is taken. */
uint8_t ov_radio_answered(const uint8_t *bytes, uint8_t length);

/* A serial pad port: the level of its data line (1: high) after a latch pulse, and after each clock edge behind it. Quick, and meant to be
 * called from the interrupts of those two lines, which must not interrupt each other. */
uint8_t ov_plug_latched(void);
uint8_t ov_plug_clocked(void);

/* A device of parts with a controller each: told when a computer has set this one up (1), and when it has gone or reset it (0). Who is
 * set up first speaks with the computer, for all parts. */
void ov_host_configured(uint8_t is);
/* A byte that came over the line from the other part. Between two scans only. */
void ov_link_byte(uint8_t byte);
/* Whether all other parts are heard, and one of them; and how many of their frames were not, counted up to 255 and on from 0. */
uint8_t ov_link_is_heard(void);
uint8_t ov_link_hears(uint8_t part);
uint8_t ov_link_missed(void);

/* For looking in from outside: the milliseconds that a chain's lights take when they are sent, the debounced state of a switch, and whether a layer is held or the default layer. */
uint8_t ov_lights_ms(uint8_t chain);
uint8_t ov_switch_closed(uint8_t sw);
uint8_t ov_layer_active(uint8_t layer);

/* The runtime's memory, given by the board: the generated tables.c has one of the right size. */
extern uint16_t ov_arena[];
extern const uint16_t ov_arena_bytes;

/* Given by the board. Lines are numbered as in the generated pin list. */
void ov_hal_catch(void);                   /* a scan begins: read what is read through added parts, all at once */
void ov_hal_strobe(uint8_t line);          /* drive one strobe line low */
void ov_hal_release(uint8_t line);         /* let it float again */
void ov_hal_settle(uint8_t us);            /* wait until the sense lines have settled */
uint16_t ov_hal_read(uint8_t bank);        /* 16 sense lines, pulled up: bit 1 = high, 0 = low */
void ov_hal_lamp(uint8_t line, uint8_t on);
/* Sends a chain of addressable lights their bytes, the first light's first. It is called in a scan that does nothing else; those
 * that come within ov_lights_ms are left out. */
void ov_hal_lights(uint8_t chain, const uint8_t *bytes, uint16_t length);
/* Shifts a frame through a chain of segment drivers: each byte highest bit first, the select line low meanwhile, so that all take it
 * when it rises. */
void ov_hal_segments(uint8_t chain, const uint8_t *bytes, uint8_t length);
/* Writes a frame to a display on its two-wire bus: its address, then these bytes. */
void ov_hal_display(uint8_t display, const uint8_t *bytes, uint8_t length);
/* Hands a radio its packet, framed. 0 = not taken: the runtime offers it again, as all is then. Never wait for its acknowledgement. */
uint8_t ov_hal_radio(const uint8_t *bytes, uint8_t length);
/* Puts bytes on the wire of a socket for music, at 31,250 bit a second: at most OV_DIN_BYTES_A_MS, which are through when the next may come. */
void ov_hal_din(const uint8_t *bytes, uint8_t length);
/* Which part of the device this is, from 0. */
uint8_t ov_hal_part(void);
/* Puts a frame on the line to the other part, at OV_LINK_BITS_A_SECOND. The one before has gone by then. Of modules on a bus the main part writes it to
 * all of them at once (the general call); a module keeps it for when it is asked, in place of the one before. */
void ov_hal_link(const uint8_t *bytes, uint8_t length);
/* Of modules on a bus, the main part: which of them pull their line, a bit each by their numbers (of a shared line all that are on it); and one is asked
 * for its frame, at OV_LINK_BUS_ADDRESS and its number. Never wait: what it says, up to its first zero, goes to ov_link_byte before the next scan. */
uint8_t ov_hal_calls(void);
void ov_hal_ask(uint8_t part);
/* A module: pulls its line, until its frame has been read. */
void ov_hal_call(void);
/* Begins to read the voltage of a sensor, and answers that of the one begun before, as parts of 65536 of the supply: ten bits are
 * shifted up by six. So nobody waits for a converter. The first answer is not looked at. */
uint16_t ov_hal_sense(uint8_t sensor);
/* Hand a report (OV_REPORT_) to the host side. 0 = not taken (endpoint busy): the runtime offers it again. */
uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length);
/* Whether a report only moves the pointer: while the computer sleeps a board takes it and forgets it, so that it wakes nobody. */
uint8_t ov_report_is_movement(uint8_t kind, const uint8_t *bytes);
/* What is kept while the power is off, OV_KEPT_BYTES of it, for live changes; a byte that was never written is 0xFF. */
uint8_t ov_hal_kept(uint16_t at);
/* Whether a byte is still being written: then none is begun, and none is read unless a key needs it. */
uint8_t ov_hal_keeping(void);
/* Begins to keep a byte: OV_KEEP_TAKEN, or OV_KEEP_UNTIL_OFF when it will be lost with the power. */
uint8_t ov_hal_keep(uint16_t at, uint8_t byte);

#ifdef __cplusplus
}
#endif

#endif
