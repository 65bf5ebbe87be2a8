/** A hat that is not pressed (as USB HID 1.11 has it: a value outside of its range). */
export const HAT_NONE = 8;

/** Bytes of a game pad's report: buttons by the bit, its hat, and axes of one byte or two. */
export const padBytes = (buttons: number, hat: number, axes: number, axisBits: number): number =>
  Math.ceil(buttons / 8) + hat + axes * (axisBits > 8 ? 2 : 1);
