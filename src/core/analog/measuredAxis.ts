import { type AxisSettings, axisProblem } from "../document/axes";

/** What was read of an axis on a device, in percent of its track: at rest, and while it was moved to its ends. */
export interface AxisMeasurement {
  rest: number[];
  moved: number[];
}

/** Readings of a converter that is as fine as parts of 65536 of the supply, as percent of the track between its rails. */
export const percentOfTrack = (reading: number): number => (100 * reading) / 65536;

/** Of its way, so much is left at each end, so that the end is surely reached (as in what is usual). */
const END_PART = 0.02;
/** What was seen for a second is less than what will be seen in a year. */
const RESERVE = 1.5;
const LEAST_STILL = 0.1;

const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;
const rounded = (value: number) => Math.round(value * 10) / 10;
const up = (value: number, digits: number) => Math.ceil(value * 10 ** digits - 1e-9) / 10 ** digits;

/** How far readings lie from their middle, in percent of the track. */
const scatterOf = (rest: number[]): number => (Math.max(...rest) - Math.min(...rest)) / 2;

/**
 * How an axis is read after it was measured: its ends with some reserve, where it rests, and what it is still within. The dead zone is
 * widened where the rest scatters more.
 * @returns the settings, or in words what was not measured well
 */
export function measuredAxis(before: AxisSettings, { rest, moved }: AxisMeasurement): AxisSettings | string {
  if (rest.length === 0 || moved.length === 0) return "Nothing was read yet.";
  const isBoth = before.sides === "both";
  const all = [...rest, ...moved];
  const [low, high, centre] = [Math.min(...all), Math.max(...all), mean(rest)];
  const [below, above] = isBoth ? [centre - low, high - centre] : [high - low, high - low];
  const scatter = scatterOf(rest) * RESERVE;
  const shortest = Math.max(1e-6, Math.min(below, above));
  const axis: AxisSettings = {
    ...before,
    lowest: rounded(low + END_PART * below),
    centre: rounded(centre),
    highest: rounded(high - END_PART * above),
    still: Math.min(10, up(Math.max(LEAST_STILL, scatter), 2)),
    dead: Math.min(60, Math.max(before.dead, isBoth ? up((100 * scatter) / shortest, 1) : 0)),
  };
  const problem = axisProblem(axis);
  return problem ? `It ${problem}: move it to both its ends.` : axis;
}
