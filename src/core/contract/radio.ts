/**
 * The packet that a radio is given: every control in one structure, which a check value may follow, framed or as it is. Its entry in the
 * tables says how. GAP_MS: from one packet to the next, at least. EVERY: so many times 10 ms after the last one it is sent again, though
 * nothing has changed; 0: never. TURNED: what a byte that equals a mark is turned with behind the escape (RFC 1662: 0x20), or 0.
 */
export const RADIO_AT = {
  FRAMING: 0,
  CHECK: 1,
  PARTS: 2,
  GAP_MS: 3,
  EVERY: 4,
  START: 5,
  SEPARATOR: 6,
  END: 7,
  ESCAPE: 8,
  TURNED: 9,
} as const;
export const RADIO_BYTES = 10;

/** The packet as it is; between a start and an end; or without a zero, which then ends it. */
export const RADIO_FRAMING = { WHOLE: 0, MARKED: 1, STUFFED: 2 } as const;

/** None; the sum of all bytes; or the rest of a division, of 8 bits (0x07, from 0) or of 16 (0x1021, from 0xFFFF). */
export const RADIO_CHECK = { NONE: 0, SUM: 1, CRC8: 2, CRC16: 3 } as const;

/**
 * What is in it, in this order: a number that counts packets, a bit for each switch, a byte for each axis or two, the value of each
 * knob. SEPARATES: a separator stands between two of these, and before the check value. ANSWERS: what comes back on the
 * acknowledgement is what a panel is told, with the check value behind it.
 */
export const RADIO_PARTS = { COUNTER: 1, KEYS: 2, AXES: 4, WIDE: 8, KNOBS: 16, SEPARATES: 32, ANSWERS: 64 } as const;

/** A packet, its check value included: what the radio modules of this class take at once (common practice: 32 bytes). */
export const PACKET_MOST = 32;
/** Framed: every byte may need an escape, and fields are divided. */
export const RADIO_FRAME_MOST = 2 * PACKET_MOST + PACKET_MOST + 2;
