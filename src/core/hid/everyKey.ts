const BITS = [0, 1, 2, 3, 4, 5, 6, 7];

/** Usages whose bits are set, where the lowest bit of the first byte is usage 0. */
export const usagesIn = (bytes: Uint8Array): number[] =>
  [...bytes].flatMap((byte, at) => BITS.flatMap((bit) => ((byte >> bit) & 1 ? [8 * at + bit] : [])));
