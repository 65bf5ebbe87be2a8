import type { Design } from "../document/schema";

/** A byte and its acknowledgement (I²C-bus specification). */
export const BITS_PER_BYTE = 9;
/** Start, stop, address and the byte that says what follows. */
const FRAME_BITS = 2 + 2 * BITS_PER_BYTE;

/** Clock of a two-wire bus in kHz, as set or as usual: 400, the fast mode. */
export const busKhz = ({ buses }: Pick<Design, "buses">, bus: number): number =>
  buses.find((one) => one.bus === bus)?.khz ?? 400;

/** Time to write so many bytes to a part on a two-wire bus, in µs. */
export const writeUs = (bytes: number, khz: number): number => ((bytes * BITS_PER_BYTE + FRAME_BITS) * 1000) / khz;

/** A page of eight rows of dots; larger depths are sent row by row. */
export const pageBytes = ({ widthPx, bitsPerPx }: { widthPx: number; bitsPerPx: number }): number =>
  bitsPerPx === 1 ? widthPx : Math.ceil((widthPx * bitsPerPx) / 8);

/** A whole picture, in bytes. */
export const pictureBytes = (display: { widthPx: number; heightPx: number; bitsPerPx: number }): number =>
  Math.ceil((display.widthPx * display.heightPx * display.bitsPerPx) / 8);
