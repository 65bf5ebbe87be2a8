/**
 * The board block: how a finished image finds its pins, added parts, endpoints and descriptors. Like the tables it is
 * written by the design program and read by the firmware; firmware/src/contract.h has the same names.
 */

/** Raised whenever a byte of the block changes its meaning: an image refuses a block of another version. */
export const BOARD_VERSION = 13;

/** "OB": the first two bytes of a board block. */
export const BOARD_MARK = [0x4f, 0x42] as const;

/** Where the loader begins in the flash of the 8-bit USB class, in bytes; beneath it stand code, board block and tables. */
export const LOADER_AT = 0x7000;

/** The longest board block that the firmware reads. */
export const BOARD_BYTES_MOST = 0x600;

/** The header of the block, field by field: its name and its bytes. Multi-byte values are little endian. */
const HEADER = [
  ["MARK", 2],
  ["VERSION", 1],
  /** Bytes of RAM beside the ports: what was read of registers and multiplexers, and what lamps show. */
  ["REMOTE_BYTES", 1],
  /** Of the whole block, the two bytes of its CRC at the end included. */
  ["LENGTH", 2],
  /** CRC of the tables that it belongs to. */
  ["TABLES_CRC", 2],
  ["STROBES", 1],
  ["BANKS", 1],
  ["LAMPS", 1],
  /** Lamps between line pairs, and the first of their remote bytes: one each, 1 when lit. */
  ["PAIRS", 1],
  ["PAIRS_FIRST", 1],
  /** Reports that are declared, the endpoints beside the first that they take, and interfaces. */
  ["REPORTS", 1],
  ["ENDPOINTS", 1],
  ["INTERFACES", 1],
  /** A serial port's first endpoint, or 0 without, and its first interface. */
  ["SERIAL", 2],
  /** The endpoint on which a computer plays to it, or 0 without. */
  ["MUSIC_IN", 1],
  ["DESCRIPTORS", 1],
  /** Encoders whose edges interrupt. */
  ["EDGE_ENCODERS", 1],
  /** Which of the device's parts this is, from 0. What hangs on another has address 0 here, or LAMP_ON.NOTHING, or is always high. */
  ["PART", 1],
  /** Lines on which modules on a bus call: those that the main part reads, or its own that a module pulls. */
  ["CALLS", 1],
  ["START_TABLE", 2],
  ["STROBE_TABLE", 2],
  ["BANK_TABLE", 2],
  ["LAMP_TABLE", 2],
  ["LIGHT_TABLE", 2],
  ["SENSE_TABLE", 2],
  ["SEGMENT_TABLE", 2],
  ["DISPLAY_TABLE", 2],
  ["PART_TABLE", 2],
  ["REPORT_TABLE", 2],
  ["EDGE_TABLE", 2],
  ["CALL_TABLE", 2],
  ["DESCRIPTOR_TABLE", 2],
] as const;
export type BoardField = (typeof HEADER)[number][0];

export const BOARD_AT = Object.fromEntries(
  HEADER.map(([name], nth) => [name, HEADER.slice(0, nth).reduce((sum, [, bytes]) => sum + bytes, 0)]),
) as Record<BoardField, number>;
export const BOARD_HEADER_BYTES = HEADER.reduce((sum, [, bytes]) => sum + bytes, 0);

/** A pin is two bytes: the address of its port's input register, and its mask. */
export const BOARD_ENTRY_BYTES = {
  /** Pin, START_MODE; the list ends with address 0. */
  START: 3,
  /** Pin, STROBE_FLAG. */
  STROBE: 3,
  /** How many of its lines are used, then for each of 16 lines where its level is found (LEVEL_AT) and its mask. */
  BANK: 33,
  /** LAMP_ON, and two pins, or a byte and a mask, or a pin and a word (halfOf). */
  LAMP: 5,
  /** The pin that a chain of addressable lights hangs on. */
  LIGHT: 2,
  /** Of a sensor: converter channel; of one behind a multiplexer its channel there, select lines and their pins; the lowest first. */
  SENSE: 11,
  /** Data, clock and select of a chain of segment drivers. */
  SEGMENT: 6,
  /** Address of a display, of the bus multiplexer that it hangs on or 0, and what that is told. */
  DISPLAY: 3,
  /** Report kind, endpoint, its two configuration bytes, interface of the HID class or NONE, and the number in front of it or 0; in the order of endpoints. */
  REPORT: 6,
  /** Pin, and the modules that call on it, a bit each by their numbers. */
  CALL: 3,
  /** Encoder, pin of A, pin of B. */
  EDGE: 5,
  /** Type, index, interface (NONE: any), length, place in the block. */
  DESCRIPTOR: 7,
} as const;

/** What a pin is set to at the start. */
export const START_MODE = { FLOAT: 0, PULL_UP: 1, LOW: 2, HIGH: 3 } as const;

export const STROBE_FLAG = {
  /** Let go it is read as a sense line and wants its pull-up: a two-way matrix. */
  PULL_UP: 1,
} as const;

/** Added to a bank's count of lines: they lie in order in two whole bytes, whose places (LEVEL_AT) alone follow. */
export const BANK_WHOLE_BYTES = 0x80;

/** Where a line's level is found: the five ports first, then a byte that is always high, then what is read remotely. */
export const LEVEL_AT = {
  PORTS: 5,
  ALWAYS_HIGH: 5,
  REMOTE: 6,
  /** Added to it: the line is pulled up when it is pressed. */
  INVERTED: 0x80,
} as const;

/** Remote bytes that a level can be found in: the numbers beneath INVERTED. */
export const REMOTE_BYTES_MOST = LEVEL_AT.INVERTED - LEVEL_AT.REMOTE;

/** What switches a lamp: a pin that is high, a bit of a remote byte that is low, one pin high and another low, or a square wave on a pin. */
export const LAMP_ON = { NOTHING: 0, PIN_HIGH: 1, REMOTE_LOW: 2, PAIR: 3, TONE: 4 } as const;

/** How a tone is told: half a wave in half microseconds. From 16 to 20,000 Hz it fits a word. */
export const halfOf = (hz: number): number => Math.round(1_000_000 / hz);

/**
 * Added parts, one after another, each with its length in bytes behind its kind; the list ends with END.
 * IN_REGISTERS: clock, latch, data, bytes, first remote byte. OUT_REGISTERS: the same with an enable line before the bytes,
 * shifted out whenever one of its lamps changes. MULTIPLEXERS: select lines and their pins, multiplexers, first of their
 * remote bytes, two each, and the data pin of each. BUS: clock and data of the two-wire bus, and its clock (busRate); it
 * stands before what hangs on it. EXPANDERS: how many, first of their remote bytes, two each, and the address of each. LADDER, one for each bank: converter channel, settling time in µs, top pin
 * (address 0: always powered), first remote byte, rungs, and for each rung a word, the lower end of its window.
 */
export const BOARD_PART = {
  END: 0,
  IN_REGISTERS: 1,
  OUT_REGISTERS: 2,
  MULTIPLEXERS: 3,
  EXPANDERS: 4,
  LADDER: 5,
  BUS: 6,
} as const;

/** How a two-wire bus's clock is told: what the 8-bit USB class divides its 16 MHz by, 16 and twice this (from memory). */
export const busRate = (khz: number): number => 8000 / khz - 8;
