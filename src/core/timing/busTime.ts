/** A byte and its acknowledgement (I²C-bus specification). */
export const BITS_PER_BYTE = 9;
/** Start, stop, address and the byte that says what follows. */
const FRAME_BITS = 2 + 2 * BITS_PER_BYTE;

/** Time to write so many bytes to a part on a two-wire bus, in µs. */
export const writeUs = (bytes: number, khz: number): number => ((bytes * BITS_PER_BYTE + FRAME_BITS) * 1000) / khz;
