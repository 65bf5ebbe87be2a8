/* What a computer plays comes in packets of four bytes on an endpoint of its own (USB Device Class Definition for MIDI Devices 1.0). */
#include "listen.h"

#include <avr/io.h>

#include "board.h"
#include "ovrin.h"

#if OV_HEARS_NOTES

#define BIT(n) ((uint8_t)(1u << (n)))
enum { BULK_OUT = 0x80, OF_32 = 0x22 };

static uint8_t endpoint(void) { return ov_board_byte(OV_BOARD_AT_MUSIC_IN); }

void ov_listen_open(void) {
  if (!endpoint()) return;
  UENUM = endpoint();
  UECONX = BIT(EPEN);
  UECFG0X = BULK_OUT;
  UECFG1X = OF_32;
}

void ov_listen_pass(void) {
  uint8_t event[OV_MUSIC_PACKET_BYTES], nth;
  if (!endpoint()) return;
  UENUM = endpoint();
  if (!(UEINTX & BIT(RXOUTI))) return;
  if (UEBCLX >= OV_MUSIC_PACKET_BYTES) {
    for (nth = 0; nth < OV_MUSIC_PACKET_BYTES; nth++) event[nth] = UEDATX;
    ov_music_heard(event);
  }
  /* What is left of a packet that is no whole number of events is let go. */
  if (UEBCLX < OV_MUSIC_PACKET_BYTES) UEINTX = (uint8_t)~(BIT(RXOUTI) | BIT(FIFOCON));
}

#endif
