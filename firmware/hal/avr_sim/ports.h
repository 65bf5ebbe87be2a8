/* Where the simulated 8-bit board's pins are: unused data addresses that the simulator answers. */
#ifndef OV_PORTS_H
#define OV_PORTS_H

#define OV_PORT_STROBE 0xE0    /* write: strobe line + 1, 0 = released */
#define OV_PORT_BANK 0xE1      /* write: the bank that is read next */
#define OV_PORT_WORD_LOW 0xE2
#define OV_PORT_WORD_HIGH 0xE3
#define OV_PORT_INTERFACE 0xE4 /* write: a report begins */
#define OV_PORT_BYTE 0xE5      /* write: one byte of it */
#define OV_PORT_SENT 0xE6      /* write: it is complete */
#define OV_PORT_LAMP 0xE7      /* write: lamp line, then whether it is on */
#define OV_PORT_READY 0xE8     /* write: the scan is over, wait for the next millisecond */
#define OV_PORT_COMMAND 0xE9   /* read: 0 = scan, 1 = start afresh, 2 = lock lights follow, 3 = bus reset, 4 = a frame, 5 = an edge, 6 = the panel is told, 7 = the host sleeps, 8 = it is awake, 9 = an acknowledgement: its length, then its bytes, 10 = the pad port is read, 11 = bytes of a serial port: as of 9, 12 = an event that the computer plays: as of 9, 13 = it is this part, and starts afresh, 14 = a computer has set it up, or not, 15 = bytes from the other part: as of 9, 16 = which modules call */
#define OV_PORT_LOCKS 0xEA
#define OV_PORT_ELAPSED 0xEB   /* read: ms since the last scan */
#define OV_PORT_TAKEN 0xEC     /* read: whether the endpoint of the report that begins has room */
#define OV_PORT_FRAME 0xED     /* read: the next byte of the frame, or of the edge: encoder, state */
#define OV_PORT_KEPT_LOW 0xEE  /* write: place of the kept byte */
#define OV_PORT_KEPT_HIGH 0xEF
#define OV_PORT_KEPT 0xF0      /* read: what is kept there; write: keep it */
#define OV_PORT_KEEPS 0xF1     /* read: whether it is still being written; write: a scan reads its contacts */
#define OV_PORT_LIGHTS 0xF2    /* write: a chain whose lights are told */
#define OV_PORT_LIGHT_BYTE 0xF3 /* write: one byte of theirs */
#define OV_PORT_LIGHTS_MS 0xF4 /* write: it is complete, and takes so many ms */
#define OV_PORT_SENSOR 0xF5    /* write: the sensor whose voltage is read next */
#define OV_PORT_LEVEL_LOW 0xF6 /* read: that of the one before */
#define OV_PORT_LEVEL_HIGH 0xF7
#define OV_PORT_SEGMENTS 0xF8  /* write: a chain of segment drivers whose frame begins */
#define OV_PORT_SEGMENTS_END 0xF9 /* write: it is complete; its bytes are those of lights */
#define OV_PORT_DISPLAY 0xFA   /* write: a display whose frame begins; then as of segments */
#define OV_PORT_PLUG 0xFC      /* write: a level of the pad port, 2 when all are told */
#define OV_PORT_DIN 0xFD       /* write: bytes of a socket for music begin; then as of segments */
#define OV_PORT_LINK 0xFE      /* write: a frame to the other part begins; then as of segments */
#define OV_PORT_ASKS 0xFF      /* write: the module that is asked; 0: this one calls */
#define OV_PORT_RADIO 0xFB     /* write: a radio's packet begins; then as of segments */

#endif
