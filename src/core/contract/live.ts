/**
 * Live changes: what a device keeps when its power is off, and the frames in which it is asked and answers. Documented in
 * docs/device-protocol.md; firmware/src/contract.h has the same names.
 */

/** Raised whenever a frame changes its meaning. */
export const LIVE_VERSION = 1;

/** Bytes that a device keeps: two slots for the keymap, two for calibration. */
export const KEPT_BYTES = 1024;
export const KEPT_SLOTS = 2;
export const KEPT_MAP = { KEYMAP: 0, CALIBRATION: 896 } as const;
export const SLOT_BYTES = { KEYMAP: 448, CALIBRATION: 64 } as const;

/** What a sealed slot begins with; anything else is no slot. It is the byte that is written last. */
export const SEAL = 0x5a;
export const NO_SEAL = 0xff;

const SLOT = [
  ["SEAL", 1],
  /** One more than that of the slot it takes over from. */
  ["SEQUENCE", 2],
  /** CRC of the tables it belongs to. */
  ["TABLES_CRC", 2],
  ["COUNT", 1],
  /** CRC-16 of sequence, tables' CRC, count and changes. */
  ["CRC", 2],
  ["CHANGES", 0],
] as const;

/** Where each field of a keymap slot begins. */
export const SLOT_AT = Object.fromEntries(
  SLOT.map(([name], nth) => [name, SLOT.slice(0, nth).reduce((sum, [, bytes]) => sum + bytes, 0)]),
) as Record<(typeof SLOT)[number][0], number>;

/** Layer, input, and the action as in the tables: kind, modifiers, value. In order of layer, then of input. */
export const CHANGE_BYTES = 6;
export const MOST_CHANGES = Math.floor((SLOT_BYTES.KEYMAP - SLOT_AT.CHANGES) / CHANGE_BYTES);

/** A frame, there and back; its last byte is always 0, so that it also fits a packet of 64 bytes with a report's number. */
export const FRAME_BYTES = 64;

/** Bytes of a frame in a packet with a report's number, as boards with an interpreter send it. */
export const PACKED_FRAME_BYTES = FRAME_BYTES - 1;

/** The first bytes of every frame. A request's STATUS is 0, an answer's never. */
export const FRAME_AT = { COMMAND: 0, TOKEN: 1, STATUS: 2, FIRST: 3, COUNT: 4, PAYLOAD: 5 } as const;

export const COMMAND = {
  /** Who are you, and how do you stand? */
  HELLO: 1,
  /** Actions in effect, COUNT from input PAYLOAD on layer FIRST: they come in the payload, four bytes each. */
  READ_ACTIVE: 2,
  /** The same as they were loaded. */
  READ_LOADED: 3,
  /** Bytes of the pool of longer actions: COUNT of them, from the word at PAYLOAD. */
  READ_POOL: 4,
  /** Begins a new set of COUNT changes, in the slot that is not in use. */
  BEGIN: 5,
  /** COUNT changes, of which the first is number FIRST of the set. */
  WRITE: 6,
  /** Ends the set; its CRC is in the payload. */
  FINISH: 7,
  /** Readings of COUNT sensors from number FIRST on: they come in the payload, a word each, as parts of 65536 of the supply. */
  READ_SENSORS: 8,
} as const;

export const STATUS = {
  OK: 1,
  /** Still at it: ask again. */
  WORKING: 2,
  LOCKED: 3,
  UNKNOWN: 4,
  /** More changes than a slot holds. */
  TOO_MANY: 5,
  /** A change that the device could not carry out: a layer, an input or an action that is not there, or not in order. */
  UNSOUND: 6,
  /** Not what comes next: a change without a beginning, or others than those announced. */
  OUT_OF_TURN: 7,
  /** What was kept is not what was sent. */
  TORN: 8,
  /** The set before is whole, but not in effect yet: something is held. */
  WAITING: 9,
} as const;

/** What HELLO answers, behind the status. */
const HELLO = [
  ["LIVE_VERSION", 1],
  ["TABLE_VERSION", 1],
  ["TABLES_CRC", 2],
  ["FIXED_CRC", 2],
  ["LAYERS", 1],
  ["INPUTS", 1],
  ["POOL_BYTES", 2],
  ["MOST_CHANGES", 1],
  /** Of the set in effect: its changes and its sequence, 0 when there is none. */
  ["CHANGES", 1],
  ["SEQUENCE", 2],
  /** LIVE_STATE. */
  ["STATE", 1],
  /** Switches that unlock it, held together. */
  ["UNLOCK_FIRST", 1],
  ["UNLOCK_SECOND", 1],
  /** For so many tenths of a second. */
  ["UNLOCK_TENTHS", 1],
  /** Seconds until it locks by itself. */
  ["OPEN_SECONDS", 1],
] as const;

export const HELLO_AT = Object.fromEntries(
  HELLO.map(([name], nth) => [name, FRAME_AT.FIRST + HELLO.slice(0, nth).reduce((sum, [, bytes]) => sum + bytes, 0)]),
) as Record<(typeof HELLO)[number][0], number>;

export const LIVE_STATE = {
  UNLOCKED: 1,
  /** A set is whole and waits until nothing is held. */
  WAITING: 2,
  /** What is kept is lost when the power goes. */
  FORGETS: 4,
} as const;

/** Actions of a READ, and changes of a WRITE, in one frame at most. */
export const MOST_READ = 14;
export const MOST_WRITTEN = 9;
export const MOST_POOL_READ = 56;
export const MOST_SENSORS_READ = 28;

/** How long both switches are held to unlock, and how long it stays so without being used. */
export const UNLOCK_TENTHS = 20;
export const OPEN_SECONDS = 120;

/** What ov_hal_keep answers. */
export const KEEP = { TAKEN: 1, UNTIL_OFF: 2 } as const;

/** What live changes need in the arena: a bit for each input on each layer, and a frame. */
export const liveBytes = (inputs: number, layers: number): number => Math.ceil((inputs * layers) / 8) + FRAME_BYTES;
