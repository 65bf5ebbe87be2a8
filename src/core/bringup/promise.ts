import { informationBits, tellingTrials, weightsAmong } from "./infer";
import type { Model } from "./model";
import { type Efforts, effortOf } from "./trial";

/** Bits that are less than this come of rounding. */
export const NOTHING_BITS = 1e-9;

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
