/**
 * Parts of a device, each with a controller and the same tables, tell each other: two over a serial line, or a main part and its modules over a
 * two-wire bus, where the main part writes its frame to all of them at once and asks one for its own in each millisecond. A frame is one byte of flags, then the
 * teller's own contacts (a bit each, the first lowest), felt steps of each knob counted up to 255 and on from 0, and readings (low byte first);
 * of the part that speaks with the computer also its state (LINK_STATE). A check value follows (crc16 begun with that of the tables, high byte first),
 * and it is stuffed: where a zero was stands how far it is to the next one, so that a zero ends it.
 */
export const LINK = {
  /** Told again though nothing has changed; nobody is there when so long nothing came. In ms. */
  EVERY_MS: 4,
  QUIET_MS: 12,
  /** At 250,000 bit a second, ten bits each. */
  BYTES_A_MS: 25,
  BITS_A_SECOND: 250_000,
  /** The longest frame before it is stuffed, its check value not counted. */
  MOST: 120,
  /** So long each change that is kept is told, in ms: the other part writes its six bytes meanwhile, 3.4 ms each. */
  KEPT_MS: 32,
  /** What stands around it: two bytes of check value, the first distance, and the zero. */
  AROUND: 4,
} as const;

/** Of a frame's first byte: it speaks with the computer; which part tells; turned whenever its counts begin anew; frames counted. */
export const LINK_FLAG = { HOST: 0x80, PART: 0x70, ONE_PART: 0x10, ANEW: 0x08, SEQUENCE: 0x07 } as const;

/** In the tables: how many parts there are; set where they are a main part and modules on a bus. */
export const LINK_PARTS = 0x7f;
export const LINK_ON_BUS = 0x80;

/** A two-wire bus in its fast mode (I²C-bus specification): nine clocks a byte. Modules answer to addresses from this one on, by their numbers from 1. */
export const LINK_BUS = { BITS_A_SECOND: 400_000, CLOCKS_A_BYTE: 9, ADDRESS: 0x30 } as const;

/** What the part that speaks with the computer tells behind its own: layers, a bit each; the default layer; the host's locks and what else lamps show. */
export const LINK_STATE = { LAYERS: 0, DEFAULT: 2, SHOWN: 3, BYTES: 4 } as const;
export const LINK_SHOWN = { LOCKS: 0x1f, NEXT: 0x20, AWAKE: 0x40, ASLEEP: 0x80 } as const;

/**
 * Behind that, with live changes on a serial line, what it keeps, as it lies in its slot: a change of the set in effect by its number from 1 on, and a byte
 * that means nothing; or 0 and the head of the set (all FF where there is none): sequence, CRC of the tables, how many changes, CRC. Round and round.
 */
export const LINK_KEPT = { NTH: 0, CHANGE: 1, SEQUENCE: 1, COUNT: 5, CRC: 6, BYTES: 8 } as const;

/** In an entry of the parts: behind its last group, switch, encoder and sensor; the first part's are first. */
export const PART_AT = { GROUPS: 0, SWITCHES: 1, ENCODERS: 2, SENSORS: 3 } as const;
export const PART_BYTES = 4;

/** Bytes of the arena for a link whose longest frame is so long: the last that was sent, one on its way, the last of each other part, and counts of knobs. */
export const linkBytes = (most: number, encoders: number, parts: number): number =>
  most > 0 ? (parts + 1) * most + LINK.AROUND + encoders : 0;

/**
 * By how much a press of a module on a bus is told later, in ms: until the main part looks at the lines up to a scan, and a scan until its answer is
 * looked at; on a shared line the others are asked before it, one in each scan.
 */
export const moduleTimes = (modules: number, isShared: boolean): { least: number; most: number } => ({
  least: 1,
  most: 2 + (isShared ? modules - 1 : 0),
});

/** So long after a set of so many changes was taken over the other part has it, in ms: until its head comes round again, and once all round. */
export const passedOnMs = (changes: number): number => 2 * (changes + 1) * LINK.KEPT_MS;
