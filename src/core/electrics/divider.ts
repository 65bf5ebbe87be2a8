import { type SeriesName, seriesAbove, seriesBetween } from "./eSeries";

export interface Divider {
  topOhm: number;
  bottomOhm: number;
  /** What of the voltage comes out unloaded, as a part of one. */
  ratio: number;
  /** What the next stage sees, in ohm: both in parallel. */
  sourceOhm: number;
}

export const parallelOhm = (a: number, b: number): number => (a * b) / (a + b);

export const dividerOf = (topOhm: number, bottomOhm: number): Divider => ({
  topOhm,
  bottomOhm,
  ratio: bottomOhm / (topOhm + bottomOhm),
  sourceOhm: parallelOhm(topOhm, bottomOhm),
});

/**
 * The pair of a series that comes nearest to a ratio from below, so that what is measured never exceeds its limit.
 * @param ratio above 0, below 1
 * @param least smallest sum of both, in ohm: what the divider may drain
 * @param mostSource largest source resistance, in ohm: what the converter or the signal stands
 * @returns null when no pair keeps both
 */
export function dividerNear(ratio: number, least: number, mostSource: number, series: SeriesName): Divider | null {
  let best: Divider | null = null;
  for (const bottomOhm of seriesBetween(series, 100, 1e7)) {
    const exact = bottomOhm * (1 / ratio - 1);
    if (exact > 1e7 || exact < 1) continue;
    const topOhm = seriesAbove(series, exact * (1 - 1e-9));
    const pair = dividerOf(topOhm, bottomOhm);
    if (topOhm + bottomOhm < least || pair.sourceOhm > mostSource) continue;
    const isNearer = !best || pair.ratio > best.ratio + 1e-9;
    // Of equal ratios the one with the lower source resistance: noise and sampling ask for it.
    if (isNearer || (Math.abs(pair.ratio - best!.ratio) <= 1e-9 && pair.sourceOhm < best!.sourceOhm)) best = pair;
  }
  return best;
}
