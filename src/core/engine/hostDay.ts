/** So long is a day of the small program that stands in for one on the computer, in ms. */
export const DAY_MS = 24_000;
const HIGHEST = 255;

/** A value's course: from night to noon and back, the next one an eighth of a day later. */
const valueAt = (nth: number, day: number): number =>
  Math.round((HIGHEST / 2) * (1 - Math.cos(2 * Math.PI * (day - nth / 8))));

/**
 * What it tells at a time: values go up by day and down by night, one after another; of the flags a third is on, and each has its turn.
 * The same at the same time.
 */
export function dayAt(flags: number, values: number, ms: number): { flags: boolean[]; values: number[] } {
  const day = (ms / DAY_MS) % 1;
  return {
    flags: Array.from({ length: flags }, (_, nth) => (day + nth / Math.max(1, flags)) % 1 < 1 / 3),
    values: Array.from({ length: values }, (_, nth) => valueAt(nth, day)),
  };
}
