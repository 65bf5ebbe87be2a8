import type { Design } from "./schema";

/** Clock of a two-wire bus in kHz, as set or as usual: 400, the fast mode. */
export const busKhz = ({ buses }: Pick<Design, "buses">, bus: number): number =>
  buses.find((one) => one.bus === bus)?.khz ?? 400;
