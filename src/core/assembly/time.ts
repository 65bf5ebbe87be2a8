import { type Pace, indexOfSort, learntShare, usualMinutes } from "./pace";
import type { Step } from "./step";
import { type StepSort, stepSorts } from "./stepSorts";

type Timed = Pick<Step, "sort" | "units">;

/** Minutes: half of all times lie above `middle`, one in ten beneath `low`, one in ten above `high`. */
export interface Span {
  low: number;
  middle: number;
  high: number;
}

export interface TimeWish {
  pace: Pace;
  /** 1 for the first device. */
  device: number;
  /** What a doubling of the number of devices leaves of the time of one, 0 to 1. */
  learning: number;
}

/** The tenth and the ninetieth of a hundred of a normal distribution lie so many standard deviations from its middle. */
const TENTH = 1.2815515655446004;

const spanOf = (logMiddle: number, spread: number): Span => ({
  low: Math.exp(logMiddle - TENTH * spread),
  middle: Math.exp(logMiddle),
  high: Math.exp(logMiddle + TENTH * spread),
});

/** Minutes of one step. */
export function stepSpan({ sort, units }: Timed, { pace, device, learning }: TimeWish): Span {
  const nth = indexOfSort(sort);
  const logMiddle = Math.log(usualMinutes(sort, units) * learntShare(device, learning)) + pace.mean[nth];
  return spanOf(logMiddle, Math.sqrt(pace.covariance[nth][nth] + pace.stepSpread ** 2));
}

/**
 * Minutes of many steps: mean and variance of a sum of lognormal times that vary together, taken as a lognormal one again (L. F. Fenton, 1960).
 */
export function totalSpan(steps: Timed[], { pace, device, learning }: TimeWish): Span {
  if (steps.length === 0) return { low: 0, middle: 0, high: 0 };
  const share = learntShare(device, learning);
  const one = stepSorts.map(() => 0);
  const squares = stepSorts.map(() => 0);
  const own = pace.stepSpread ** 2;
  for (const { sort, units } of steps) {
    const nth = indexOfSort(sort);
    const variance = pace.covariance[nth][nth] + own;
    const mean = usualMinutes(sort, units) * share * Math.exp(pace.mean[nth] + variance / 2);
    one[nth] += mean;
    squares[nth] += mean ** 2;
  }
  const mean = one.reduce((sum, value) => sum + value, 0);
  let variance = 0;
  one.forEach((a, i) => {
    one.forEach((b, j) => (variance += a * b * Math.expm1(pace.covariance[i][j])));
    // What a step has of its own beside what its sort has in common.
    variance += squares[i] * Math.exp(pace.covariance[i][i]) * Math.expm1(own);
  });
  const logVariance = Math.log1p(variance / mean ** 2);
  return spanOf(Math.log(mean) - logVariance / 2, Math.sqrt(logVariance));
}

/** Where the hours go: the middle of each sort of work, the longest first. */
export function hoursBySort(steps: Timed[], wish: TimeWish): { sort: StepSort; title: string; minutes: number }[] {
  return stepSorts
    .map(({ id, title }) => ({
      sort: id,
      title,
      minutes: totalSpan(
        steps.filter(({ sort }) => sort === id),
        wish,
      ).middle,
    }))
    .filter(({ minutes }) => minutes > 0)
    .sort((a, b) => b.minutes - a.minutes);
}

/** One after the other while they fit into a sitting; a step is not torn apart, so one that is longer has a sitting to itself. */
export function sittingsOf<T extends Timed>(steps: T[], sittingMinutes: number, wish: TimeWish): T[][] {
  const sittings: T[][] = [];
  let left = 0;
  for (const step of steps) {
    const { middle } = stepSpan(step, wish);
    if (sittings.length === 0 || middle > left) {
      sittings.push([]);
      left = sittingMinutes;
    }
    sittings.at(-1)!.push(step);
    left -= middle;
  }
  return sittings;
}

const half = (minutes: number) => Math.round(minutes / 30) / 2;

/** "about 9 to 13 hours", "about 40 to 60 minutes". */
export function spanWords({ low, high }: Span): string {
  if (high < 90)
    return `about ${Math.max(1, Math.round(low / 5) * 5)} to ${Math.max(5, Math.round(high / 5) * 5)} minutes`;
  const [from, to] = high > 600 ? [Math.round(low / 60), Math.round(high / 60)] : [half(low), half(high)];
  return from === to ? `about ${to} hours` : `about ${from} to ${to} hours`;
}
