/**
 * Segment displays on serial drivers: eight digits a driver, and how many drivers, chains and displays there can be. REGISTERS: of a driver's
 * first digit, the rightmost of its eight.
 */
export const SEGMENTS = { DIGITS: 8, DRIVERS: 16, CHAINS: 4, DISPLAYS: 16, STARTS: 48, FIRST_REGISTER: 1 } as const;

/** In an entry of the displays: their chain, their first driver there, and how many digits; the rightmost eight hang on the first driver. */
export const SEGMENT_AT = { CHAIN: 0, DRIVER: 1, DIGITS: 2 } as const;

/** What a display shows on a layer. */
export const SEGMENT_DO = { PASS: 0, DARK: 1, TEXT: 2, VALUE: 3 } as const;

/**
 * In an entry of these: which value it is; what is shown when that is 0 and when it is TOP, with its sign; and how many digits stand behind the point.
 * Of a text LOW is its place, from the texts' own beginning on.
 */
export const SEGMENT_USE_AT = { DOES: 0, OF: 1, LOW: 2, HIGH: 4, TOP: 6, POINT: 7 } as const;

/**
 * Segments of a digit as bits, the point first, then a (top) and on clockwise, g (middle) last: so the drivers of this class have them when they
 * decode nothing (typical of the class, from memory).
 */
export const SEGMENT_POINT = 0x80;
export const SEGMENT_DIGITS = [0x7e, 0x30, 0x6d, 0x79, 0x33, 0x5b, 0x5f, 0x70, 0x7f, 0x7b] as const;
export const SEGMENT_MINUS = 0x01;

/** What the runtime keeps: of drivers what each digit shows and a frame, of displays what it was made from, of chains the digits to be sent. */
export const segmentBytes = (drivers: number, displays: number, chains: number): number =>
  (SEGMENTS.DIGITS + 2) * drivers + 3 * displays + chains;
