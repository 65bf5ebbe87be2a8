/* The HAL for your own board. Fill in the functions with your controller's pin and USB calls; the comments say
 * what each must do. The line numbers are listed with their pins in pins.h. Call ov_init once,
 * then ov_scan every millisecond with the milliseconds since the last call; ov_host_reset after a bus reset,
 * ov_host_sleeps when the bus is suspended and when it runs again.
 * Never wait inside a report. Where both lines of a knob can interrupt, tell ov_encoder_edge its state at each edge (ovrin.h):
 * it then loses no step, however fast it is turned. Else it is read once a scan. */
#include "ovrin.h"
#include "pins.h"
#include "tables.h"

/* A scan begins. Latch and shift in register chains, go through the channels of multiplexers, ask expanders, convert the
 * voltages of ladders: ov_hal_read then answers from what was caught. Nothing to do where every line is a pin. */
void ov_hal_catch(void) {}

/* Make the pin of this strobe line an output and drive it low. */
void ov_hal_strobe(uint8_t line) { (void)line; }

/* Make it an input again, with its pull-up if the line is also a sense line (a two-way matrix), else without: it must
 * not be driven while the others are read. */
void ov_hal_release(uint8_t line) { (void)line; }

/* Wait this many microseconds. */
void ov_hal_settle(uint8_t us) { (void)us; }

/* Read sense lines 16 * bank … 16 * bank + 15 (inputs with pull-up): bit n is the level of line 16 * bank + n.
 * pins.h says how each line is reached. Of a ladder: answer low for the rung whose window
 * the voltage lies in. */
uint16_t ov_hal_read(uint8_t bank) { (void)bank; return 0xFFFF; }

/* Switch the lamp on this lamp line; on a register chain, shift all of them out and latch. */
void ov_hal_lamp(uint8_t line, uint8_t on) { (void)line; (void)on; }

/* Send a chain of addressable lights these bytes, the highest bit of each first: 1.25 us a bit, of which the line is high for
 * about a third (0) or two thirds (1). Between two bits it may stay low a few microseconds longer, so interrupts can be
 * served there. */
void ov_hal_lights(uint8_t chain, const uint8_t *bytes, uint16_t length) { (void)chain; (void)bytes; (void)length; }

/* Shift these bytes through a chain of segment drivers, the highest bit of each first, data taken when the clock rises; the select line is low
 * meanwhile, and all drivers take what they hold when it rises. */
void ov_hal_segments(uint8_t chain, const uint8_t *bytes, uint8_t length) { (void)chain; (void)bytes; (void)length; }

/* Write these bytes to this display on the two-wire bus: a start, its address (pins.h) with the write bit, the bytes, a stop. Where it hangs on a
 * branch of a bus multiplexer, write the branch's bit to that first, and none to the others. */
void ov_hal_display(uint8_t display, const uint8_t *bytes, uint8_t length) { (void)display; (void)bytes; (void)length; }

/* Hand a radio its packet, framed as it is: start to send these bytes, and do not wait. Answer 0 when it is still busy with the one before.
 * What comes back on its acknowledgement goes to ov_radio_answered, between two scans. */
uint8_t ov_hal_radio(const uint8_t *bytes, uint8_t length) {
  (void)bytes; (void)length;
  return 1;
}

/* Put these bytes (at most OV_DIN_BYTES_A_MS) on the wire of a socket for music: a serial transmitter at 31,250 bit a second, eight bits, no parity, one
 * stop bit. Start to send, and do not wait: let its buffer or its interrupt take them. */
void ov_hal_din(const uint8_t *bytes, uint8_t length) { (void)bytes; (void)length; }

/* A device of two parts: compile each with its own number (OV_PART), put these bytes on the serial line to the other one, give each byte that comes
 * from there to ov_link_byte between two scans, and tell ov_host_configured when a computer has set this one up. */
#ifndef OV_PART
#define OV_PART 0
#endif
uint8_t ov_hal_part(void) { return OV_PART; }
void ov_hal_link(const uint8_t *bytes, uint8_t length) { (void)bytes; (void)length; }

/* Modules on a bus: the main part (0) writes the frame above to the general call, a module keeps it for when it is asked. The main part tells which modules
 * pull their lines, a bit each by their numbers, and asks one at OV_LINK_BUS_ADDRESS and its number: start, and let the interrupt give what it says, up to its
 * first zero, to ov_link_byte between two scans. A module pulls its line until it was read. */
uint8_t ov_hal_calls(void) { return 0; }
void ov_hal_ask(uint8_t part) { (void)part; }
void ov_hal_call(void) {}

/* Of lines that tell a panel nothing is asked here: give each byte of your serial port to ov_line_byte, between two scans (ovrin.h). Of notes
 * that the computer plays neither: give each packet of your MIDI interface to ov_music_heard. */

/* Of a serial pad port nothing is asked here: let its latch line interrupt, put what ov_plug_latched answers on the data line (1: high), and at
 * each clock edge after it what ov_plug_clocked answers (ovrin.h). */

/* Begin to read the voltage of this sensor, and answer that of the one begun before, as parts of 65536 of the supply: ten bits are
 * shifted up by six. pins.h says where each is. Where your converter is quick, read it at once and answer what was read the
 * time before. */
uint16_t ov_hal_sense(uint8_t sensor) { (void)sensor; return 0; }

/* Put the report (OV_REPORT_KEYBOARD and so on) on its interface's IN endpoint. Answer 0 when the endpoint is still busy. Where
 * pins.h gives a report a number (OV_NUMBER_SYSTEM and so on), several stand on one interface: that number goes in front of its bytes. While the
 * computer sleeps, wake it, unless ov_report_is_movement says so: then take it and forget it; or OV_REPORT_MUSIC: then answer 0. Of music
 * `length` differs: four bytes an event, for the bulk endpoint of its interfaces. */
uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  (void)kind; (void)bytes; (void)length;
  return 1;
}

/* What live changes keep. In RAM, so that it works on any controller until the power is off, which the host is told. Where
 * yours has 1,024 bytes that outlast the power, read and write those instead: answer OV_KEEP_TAKEN, and say
 * while a byte is still being written. A frame that the host sends on the interface OV_REPORT_LIVE goes into ov_live_place,
 * then call ov_live_asked; when it asks for the answer, give it ov_live_frame. What the computer sends on the interface
 * OV_REPORT_PANEL, an output report of OV_PANEL_BYTES, goes to ov_panel_place, between two scans. */
static uint8_t kept[OV_KEPT_BYTES];
static uint8_t is_blank = 1;

uint8_t ov_hal_kept(uint16_t at) { return is_blank ? OV_NO_SEAL : kept[at]; }

uint8_t ov_hal_keeping(void) { return 0; }

uint8_t ov_hal_keep(uint16_t at, uint8_t byte) {
  uint16_t i;
  for (i = 0; is_blank && i < OV_KEPT_BYTES; i++) kept[i] = OV_NO_SEAL;
  is_blank = 0;
  kept[at] = byte;
  return OV_KEEP_UNTIL_OFF;
}
