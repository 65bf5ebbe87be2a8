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
#define OV_PORT_COMMAND 0xE9   /* read: 0 = scan, 1 = start afresh, 2 = lock lights follow, 3 = bus reset */
#define OV_PORT_LOCKS 0xEA
#define OV_PORT_ELAPSED 0xEB   /* read: ms since the last scan */
#define OV_PORT_TAKEN 0xEC     /* read: whether the host takes the report */

#endif
