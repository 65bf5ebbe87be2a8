import { informationBits, tellingTrials, weightsAmong } from "./infer";
import type { Model } from "./model";
import { type Efforts, effortOf } from "./trial";

/** Bits that are less than this come of rounding. */
const NOTHING_BITS = 1e-9;

/** A test that could be made next, with what it promises. */
export interface Choice {
  trial: number;
  bits: number;
  effort: number;
}

/** Every test that tells some of these suspects apart, with what it promises: the expected information. */
function promisesOf(model: Model, suspects: readonly number[], weights: Float64Array, efforts: Efforts): Choice[] {
  const { among, total } = weightsAmong(suspects, weights);
  return tellingTrials(model, suspects)
    .map((trial) => ({
      trial,
      bits: informationBits(model, trial, among, total),
      effort: effortOf(model.trials[trial], efforts),
    }))
    .filter(({ bits }) => bits >= NOTHING_BITS);
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
  for (const one of promisesOf(model, suspects, weights, efforts))
    if (!best || one.bits / one.effort > best.bits / best.effort + NOTHING_BITS) best = one;
  return best;
}
