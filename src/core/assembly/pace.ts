import { type StepSort, sortFacts, stepSorts } from "./stepSorts";

/** A step that somebody did and timed. */
export interface LoggedStep {
  sort: StepSort;
  units: number;
  minutes: number;
  /** 1 for the first device of its kind. */
  device: number;
}

/** What is known of how quickly one person works: mean and covariance of the logarithms against the usual times. */
export interface Pace {
  /** By sort, in the order of `stepSorts`. */
  mean: number[];
  covariance: number[][];
  /** How far one step differs from the next of its sort. */
  stepSpread: number;
}

/** People differ in all they do by so much, and one step from the next alike one (standard deviations of the logarithm, from memory). */
const PERSON_SPREAD = 0.3;
const STEP_SPREAD = 0.25;

/** Each doubling of the number of devices takes the time of one to this share (T. P. Wright, 1936: 80 % in assembly, from memory). */
export const USUAL_LEARNING = 0.8;

/** What the nth device takes of the time of the first one. */
export const learntShare = (device: number, learning: number): number => device ** Math.log2(learning);

/** Minutes of a step that nobody has done yet, the first time: half of all people take longer. */
export function usualMinutes(sort: StepSort, units: number): number {
  const { beginMin, unitMin } = sortFacts(sort);
  return beginMin + unitMin * units;
}

/** The inverse of a symmetric positive definite matrix, by elimination. */
export function inverse(matrix: number[][]): number[][] {
  const size = matrix.length;
  const rows = matrix.map((row, nth) => [...row, ...row.map((_, column) => (column === nth ? 1 : 0))]);
  for (let pivot = 0; pivot < size; pivot++) {
    const scale = rows[pivot][pivot];
    rows[pivot] = rows[pivot].map((value) => value / scale);
    for (let other = 0; other < size; other++) {
      if (other === pivot) continue;
      const factor = rows[other][pivot];
      rows[other] = rows[other].map((value, column) => value - factor * rows[pivot][column]);
    }
  }
  return rows.map((row) => row.slice(size));
}

/** Before anything is logged: one factor for the person, one for each sort of work. */
const priorOf = (): number[][] =>
  stepSorts.map((a) => stepSorts.map((b) => PERSON_SPREAD ** 2 + (a.id === b.id ? a.spread ** 2 : 0)));

const sortIndex = new Map<string, number>(stepSorts.map(({ id }, nth) => [id, nth]));

/**
 * The pace that follows from logged steps (a normal prior on logarithms, observed with the spread of single steps; A. Gelman and others, Bayesian Data
 * Analysis, 3.5). What a person needed for one sort of work tells a little of all others too.
 * @param learning of each doubling, 0 to 1
 */
export function paceOf(logged: LoggedStep[], learning = USUAL_LEARNING): Pace {
  const precision = inverse(priorOf());
  const pulled = stepSorts.map(() => 0);
  for (const { sort, units, minutes, device } of logged) {
    const nth = sortIndex.get(sort)!;
    const ratio = Math.log(minutes / (usualMinutes(sort, units) * learntShare(device, learning)));
    precision[nth][nth] += 1 / STEP_SPREAD ** 2;
    pulled[nth] += ratio / STEP_SPREAD ** 2;
  }
  const covariance = inverse(precision);
  const mean = covariance.map((row) => row.reduce((sum, value, nth) => sum + value * pulled[nth], 0));
  return { mean, covariance, stepSpread: STEP_SPREAD };
}

export const indexOfSort = (sort: StepSort): number => sortIndex.get(sort)!;
