import { entropyBits, groupsOf, splitBy, tellingTrials } from "./infer";
import type { Model } from "./model";
import { type Groups, type SmallTable, allGroups, cut, isOneGroup, smallTable, weightOf } from "./smallTable";
import type { Efforts } from "./trial";

/** More than so many groups are not searched to the end. */
const EXACT_MOST = 12;

/** What is less of a difference, as a part of the whole, comes of rounding. */
export const ROUNDING = 1e-12;

/** An effort, and the test that comes first; null where nothing tells apart. */
export interface Least {
  effort: number;
  trial: number | null;
}

/**
 * Least expected effort of telling a set apart, weighted (not divided by its weight): every line of tests is looked at.
 * @param known what was found before for sets of this table
 */
export function leastOf(table: SmallTable, groups: Groups, known: Map<Groups, Least>): Least {
  if (isOneGroup(groups)) return { effort: 0, trial: null };
  const found = known.get(groups);
  if (found) return found;
  const weight = weightOf(table, groups);
  let best: Least | null = null;
  for (const test of table.tests) {
    const parts = cut(test, groups);
    if (parts.length < 2) continue;
    let effort = test.effort * weight;
    for (const part of parts) {
      if (best && effort >= best.effort) break;
      effort += leastOf(table, part, known).effort;
    }
    if (!best || effort < best.effort * (1 - ROUNDING)) best = { effort, trial: test.trial };
  }
  const least = best ?? { effort: 0, trial: null };
  known.set(groups, least);
  return least;
}

/**
 * Least expected effort of telling these apart, weighted with their shares (not divided by their sum).
 * @param allowed which tests may be used
 * @throws RangeError for more groups than are ever searched
 */
export function leastEffort(
  model: Model,
  suspects: readonly number[],
  shares: Float64Array,
  efforts: Efforts,
  allowed?: (trial: number) => boolean,
): Least {
  const table = smallTable(model, suspects, shares, efforts, allowed);
  if (!table) throw new RangeError("too many groups to look at every line of tests");
  return leastOf(table, allGroups(table), new Map());
}

/** What meters alone want to tell a class apart that nothing else tells apart; a bound from below where it is large. */
export function meterCost(model: Model, suspects: readonly number[], shares: Float64Array, efforts: Efforts): number {
  if (suspects.length < 2) return 0;
  const groups = groupsOf(model, suspects);
  if (groups.length < 2) return 0;
  const isMeter = (trial: number) => model.trials[trial].effort === "meter";
  // Of those that nothing tells apart one stands for all.
  const merged = Float64Array.from(shares);
  for (const [first, ...others] of groups) for (const other of others) merged[first] += shares[other];
  const firsts = groups.map(([first]) => first);
  if (groups.length <= EXACT_MOST) return leastEffort(model, firsts, merged, efforts, isMeter).effort;
  const outcomes = Math.max(
    ...tellingTrials(model, firsts)
      .filter(isMeter)
      .map((trial) => splitBy(model, trial, firsts).size),
  );
  const weight = firsts.reduce((sum, suspect) => sum + merged[suspect], 0);
  return (weight * efforts.meter * entropyBits(firsts.map((suspect) => merged[suspect]))) / Math.log2(outcomes);
}
