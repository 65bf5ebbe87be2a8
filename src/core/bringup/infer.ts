import type { Model } from "./model";
import type { Outcome } from "./predict";

/** One test with what came of it. */
export interface Answer {
  /** Id of the test. */
  trial: string;
  came: Outcome;
}

/**
 * How often a hand writes down something else than what came. It keeps every suspect possible; small, since an answer
 * can be taken back (from memory).
 */
export const MISTAKE = 1e-6;

/** A fault that no suspect stands for makes tests come out as nobody foretold; each such answer counts alike for all. */
export interface Belief {
  /** By suspect: probability, given that the device has one single fault; together 1. */
  of: Float64Array;
  /** Whether there is a suspect that explains every answer. */
  isExplained: boolean;
}

/** Priors divided by their sum. */
export function priorBelief({ suspects }: Model): Float64Array {
  const sum = suspects.reduce((all, { prior }) => all + prior, 0);
  return Float64Array.from(suspects, ({ prior }) => prior / sum);
}

/** Bayes: each answer multiplies what each suspect foretold of it. */
export function beliefAfter(model: Model, answers: readonly Answer[]): Belief {
  const of = priorBelief(model);
  const fits = new Uint8Array(of.length).fill(1);
  for (const { trial, came } of answers) {
    const at = model.trialById.get(trial);
    if (at === undefined) continue;
    const { base, others } = model.rows[at];
    for (let suspect = 0; suspect < of.length; suspect++) {
      if ((others.get(suspect) ?? base) === came) of[suspect] *= 1 - MISTAKE;
      else {
        of[suspect] *= MISTAKE;
        fits[suspect] = 0;
      }
    }
    normalise(of);
  }
  return { of, isExplained: fits.includes(1) };
}

function normalise(of: Float64Array): void {
  let sum = 0;
  for (const share of of) sum += share;
  for (let suspect = 0; suspect < of.length; suspect++) of[suspect] /= sum;
}

/** Suspects that explain everything that came, in the order of the model. */
export function consistentWith(model: Model, answers: readonly Answer[]): number[] {
  const rows = answers.flatMap(({ trial, came }) => {
    const at = model.trialById.get(trial);
    return at === undefined ? [] : { ...model.rows[at], came };
  });
  return model.suspects.flatMap((_, suspect) =>
    rows.every(({ base, others, came }) => (others.get(suspect) ?? base) === came) ? [suspect] : [],
  );
}

/** Shannon's entropy of shares that need not sum to one, in bits. */
export function entropyBits(shares: Iterable<number>): number {
  let sum = 0;
  let weighted = 0;
  for (const share of shares) {
    if (share <= 0) continue;
    sum += share;
    weighted += share * Math.log2(share);
  }
  return sum === 0 ? 0 : Math.log2(sum) - weighted / sum;
}

/** How the weight of some suspects falls apart by what a test would bring; those that foretell the same together. */
export function splitBy(model: Model, trial: number, suspects: readonly number[]): Map<Outcome, number[]> {
  const { base, others } = model.rows[trial];
  const parts = new Map<Outcome, number[]>();
  for (const suspect of suspects) {
    const outcome = others.get(suspect) ?? base;
    const part = parts.get(outcome);
    if (part) part.push(suspect);
    else parts.set(outcome, [suspect]);
  }
  return parts;
}

/**
 * Expected information of a test, in bits: the entropy of what would come, since each suspect foretells one thing.
 * @param weights of the suspects, 0 for those that are out
 * @param total their sum
 */
export function informationBits(model: Model, trial: number, weights: Float64Array, total: number): number {
  const { others } = model.rows[trial];
  const masses = new Map<Outcome, number>();
  let base = total;
  for (const [suspect, outcome] of others) {
    const weight = weights[suspect];
    if (weight === 0) continue;
    base -= weight;
    masses.set(outcome, (masses.get(outcome) ?? 0) + weight);
  }
  return entropyBits([Math.max(0, base), ...masses.values()]);
}

/** The weights of some suspects, and 0 for all others. */
export function weightsAmong(
  suspects: readonly number[],
  weights: Float64Array,
): { among: Float64Array; total: number } {
  const among = new Float64Array(weights.length);
  let total = 0;
  for (const suspect of suspects) {
    among[suspect] = weights[suspect];
    total += weights[suspect];
  }
  return { among, total };
}

/** Suspects that no test at all tells apart, together; singles alone. */
export function groupsOf(model: Model, suspects: readonly number[]): number[][] {
  // What each suspect foretells otherwise than a sound device, test by test: alike for those that nothing tells apart.
  const told = new Map<number, string[]>(suspects.map((suspect) => [suspect, []]));
  model.rows.forEach(({ others }, trial) => {
    for (const [suspect, outcome] of others) told.get(suspect)?.push(`${trial}=${outcome}`);
  });
  const groups = new Map<string, number[]>();
  for (const [suspect, all] of told) {
    const key = all.join("\n");
    const group = groups.get(key);
    if (group) group.push(suspect);
    else groups.set(key, [suspect]);
  }
  return [...groups.values()];
}

/** Tests that some of these suspects foretell otherwise than a sound device would. */
export function tellingTrials(model: Model, suspects: readonly number[]): number[] {
  const index = trialsBySuspect(model);
  if (suspects.length > 200) return model.rows.flatMap(({ others }, trial) => (others.size > 0 ? [trial] : []));
  return [...new Set(suspects.flatMap((suspect) => index[suspect]))].sort((a, b) => a - b);
}

const indices = new WeakMap<Model, number[][]>();

function trialsBySuspect(model: Model): number[][] {
  let index = indices.get(model);
  if (!index) {
    index = model.suspects.map(() => []);
    model.rows.forEach(({ others }, trial) => {
      for (const suspect of others.keys()) index![suspect].push(trial);
    });
    indices.set(model, index);
  }
  return index;
}
