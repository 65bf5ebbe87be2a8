import { entropyBits, groupsOf, splitBy, tellingTrials } from "./infer";
import type { Model } from "./model";
import { type Efforts, effortOf } from "./trial";

/** More than so many groups are not searched to the end. */
const EXACT_MOST = 12;

/**
 * Least expected effort of telling these apart, weighted with their shares (not divided by their sum): every line of
 * tests is looked at, with what was found for smaller sets kept.
 * @param allowed which tests may be used
 */
export function leastEffort(
  model: Model,
  suspects: readonly number[],
  shares: Float64Array,
  efforts: Efforts,
  allowed: (trial: number) => boolean = () => true,
): { effort: number; trial: number | null } {
  const known = new Map<string, { effort: number; trial: number | null }>();
  const search = (set: readonly number[]): { effort: number; trial: number | null } => {
    const key = set.join();
    const found = known.get(key);
    if (found) return found;
    let best: { effort: number; trial: number | null } = { effort: 0, trial: null };
    const weight = set.reduce((sum, suspect) => sum + shares[suspect], 0);
    const seen = new Set<string>();
    for (const trial of tellingTrials(model, set)) {
      if (!allowed(trial)) continue;
      const parts = [...splitBy(model, trial, set).values()];
      if (parts.length < 2) continue;
      const own = effortOf(model.trials[trial], efforts);
      // Two tests that part a set alike and cost alike are one.
      const alike = `${own}|${parts
        .map((part) => part.join())
        .sort()
        .join("|")}`;
      if (seen.has(alike)) continue;
      seen.add(alike);
      let effort = own * weight;
      for (const part of parts) {
        if (best.trial !== null && effort >= best.effort) break;
        effort += search(part).effort;
      }
      if (best.trial === null || effort < best.effort) best = { effort, trial };
    }
    known.set(key, best);
    return best;
  };
  return search(suspects);
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
