import { splitBy } from "./infer";
import { LookAhead } from "./lookAhead";
import type { Model } from "./model";
import type { Outcome } from "./predict";
import { bestChoice } from "./promise";
import { smallTable } from "./smallTable";
import { type Efforts, effortOf } from "./trial";

/**
 * The test to make next, among suspects that explain all that came: by looking ahead where they are few, else the one with
 * the most expected information for its effort.
 * @returns null where no test tells any two of them apart
 */
export function nextTrial(
  model: Model,
  suspects: readonly number[],
  weights: Float64Array,
  efforts: Efforts,
): number | null {
  const table = suspects.length > FEW_SUSPECTS ? null : smallTable(model, suspects, weights, efforts);
  return table ? new LookAhead(table).next() : (bestChoice(model, suspects, weights, efforts)?.trial ?? null);
}

/** Of more than so many nobody asks how many groups they are. */
const FEW_SUSPECTS = 60;

/** What to do, and how it goes on by what came; a leaf where nothing tells the rest apart. */
export type Line =
  { suspects: number[] } | { suspects: number[]; trial: number; effort: number; by: Map<Outcome, Line> };

/** The whole line of tests from some suspects on, as they would be proposed. */
export function lineOfTests(model: Model, suspects: number[], weights: Float64Array, efforts: Efforts): Line {
  const go = (some: number[]): Line => {
    const trial = nextTrial(model, some, weights, efforts);
    if (trial === null) return { suspects: some };
    const by = new Map<Outcome, Line>();
    for (const [outcome, part] of splitBy(model, trial, some)) by.set(outcome, go(part));
    return { suspects: some, trial, effort: effortOf(model.trials[trial], efforts), by };
  };
  return go(suspects);
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
