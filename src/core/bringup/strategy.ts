import { informationBits, splitBy, tellingTrials, weightsAmong } from "./infer";
import { leastEffort } from "./smallest";
import type { Model } from "./model";
import type { Outcome } from "./predict";
import { type Efforts, effortOf } from "./trial";

/** Bits that are less than this come of rounding. */
const NOTHING_BITS = 1e-9;

/** A test that could be made next, with what it promises. */
export interface Choice {
  trial: number;
  bits: number;
  effort: number;
}

/**
 * The test with the most expected information for its effort, among suspects that explain all that came.
 * @returns null where no test tells any two of them apart
 */
export function bestChoice(
  model: Model,
  suspects: readonly number[],
  weights: Float64Array,
  efforts: Efforts,
): Choice | null {
  let best: Choice | null = null;
  const { among, total } = weightsAmong(suspects, weights);
  for (const trial of tellingTrials(model, suspects)) {
    const bits = informationBits(model, trial, among, total);
    if (bits < NOTHING_BITS) continue;
    const effort = effortOf(model.trials[trial], efforts);
    if (!best || bits / effort > best.bits / best.effort + NOTHING_BITS) best = { trial, bits, effort };
  }
  return best;
}

/** So few are searched to the end; more by what a test promises for its effort. */
const SEARCHED_MOST = 10;

/** The test to make next: the first of the best line where few are left, else the one with most information for its effort. */
export function nextChoice(
  model: Model,
  suspects: readonly number[],
  weights: Float64Array,
  efforts: Efforts,
): Choice | null {
  if (suspects.length > SEARCHED_MOST) return bestChoice(model, suspects, weights, efforts);
  const { trial } = leastEffort(model, suspects, weights, efforts);
  if (trial === null) return null;
  const { among, total } = weightsAmong(suspects, weights);
  return {
    trial,
    bits: informationBits(model, trial, among, total),
    effort: effortOf(model.trials[trial], efforts),
  };
}

/** What to do, and how it goes on by what came; a leaf where nothing tells the rest apart. */
export type Line =
  { suspects: number[] } | { suspects: number[]; trial: number; effort: number; by: Map<Outcome, Line> };

/** The whole line of tests from some suspects on, as they would be proposed. */
export function lineOfTests(model: Model, suspects: number[], weights: Float64Array, efforts: Efforts): Line {
  const choice = nextChoice(model, suspects, weights, efforts);
  if (!choice) return { suspects };
  const by = new Map<Outcome, Line>();
  for (const [outcome, part] of splitBy(model, choice.trial, suspects))
    by.set(outcome, lineOfTests(model, part, weights, efforts));
  return { suspects, trial: choice.trial, effort: choice.effort, by };
}

/** Mean effort until the fault is named, weighted. */
export function meanEffort(line: Line, weights: Float64Array): number {
  let weight = 0;
  let sum = 0;
  const walk = (at: Line, spent: number) => {
    if (!("by" in at)) {
      for (const suspect of at.suspects) {
        weight += weights[suspect];
        sum += weights[suspect] * spent;
      }
      return;
    }
    for (const next of at.by.values()) walk(next, spent + at.effort);
  };
  walk(line, 0);
  return weight === 0 ? 0 : sum / weight;
}
