import { entropyBits, groupsOf, splitBy } from "./infer";
import type { Model } from "./model";
import { meterCost } from "./smallest";
import { type Efforts, effortOf } from "./trial";

/** What no line of tests can beat, in mean effort. */
export interface Bounds {
  /** Bits to be learnt, divided by the most that an effort can bring. */
  information: number;
  /** No fault is named before a test touches it. */
  coverage: number;
  /** Both, one after the other: first a test has to touch it, then meters have to tell what only meters tell apart. */
  both: number;
  /** The largest. */
  most: number;
}

/** All bounds of the mean effort over these suspects. */
export function boundsOf(model: Model, suspects: readonly number[], weights: Float64Array, efforts: Efforts): Bounds {
  const total = weigh(suspects, weights);
  const shares = weights.map((weight) => weight / total);
  const classes = groupsOf(withoutMeters(model), suspects);
  const information = informationBound(model, suspects, shares, efforts, classes);
  const costs = classes.map((group) => meterCost(model, group, shares, efforts));
  const covers = coversOf(model, suspects, (nth) => effortOf(model.trials[nth], efforts));
  const coverage = coverageBound(covers, suspects, shares, 0);
  const parts = { model, suspects, shares, efforts, classes, costs, coverage: covers };
  const both = Math.max(...SMALL.map((small) => bothBound(parts, small)));
  return { information, coverage, both, most: Math.max(information, coverage, both) };
}

/** Up to which weight a class counts as small; each gives a bound, the largest counts. */
const SMALL = [0.005, 0.01, 0.02, 0.03, 0.05, 0.08];

interface Classes {
  model: Model;
  suspects: readonly number[];
  shares: Float64Array;
  efforts: Efforts;
  classes: number[][];
  costs: number[];
  coverage: Cover[];
}

/**
 * First a test touches the fault, then meters tell what only meters tell apart in its class. Both may be added up as long as
 * no meter is used before the fault is touched. Such a meter t, used while a weight U is untouched, can be exchanged for a
 * test f that touches the same classes, with t after it for those whom f touched: that costs f's effort for U and t's for
 * the weight W of the classes, in place of t's for U. So nobody needs meters there while U is above W / (1 - f / t). What
 * is left then may be saved at most once: the dearest classes of that weight are not counted.
 */
function bothBound(parts: Classes, small: number): number {
  const { suspects, shares, costs, classes, coverage } = parts;
  const masses = classes.map((group) => weigh(group, shares));
  const { counted, turn } = countedClasses(parts, masses, small);
  const sum = [...counted].reduce((all, nth) => all + costs[nth], 0);
  let room = turn;
  let saved = 0;
  for (const nth of [...counted].sort((one, other) => costs[other] / masses[other] - costs[one] / masses[one])) {
    const share = Math.min(1, room / masses[nth]);
    saved += share * costs[nth];
    room -= share * masses[nth];
    if (room <= 0) break;
  }
  return sum - saved + coverageBound(coverage, suspects, shares, turn);
}

/** Classes whose meters are counted, and the weight from which on a meter may come first. */
function countedClasses({ model, efforts, classes, costs }: Classes, masses: number[], small: number) {
  const counted = new Set(classes.flatMap((_, nth) => (costs[nth] > 0 && masses[nth] <= small ? [nth] : [])));
  const classOf = new Map(classes.flatMap((group, nth) => group.map((suspect) => [suspect, nth] as const)));
  const touching = model.rows.map(({ others }) => new Set([...others.keys()].flatMap((one) => classOf.get(one) ?? [])));
  const meters = model.trials.flatMap((_, nth) => (isMeter(model, nth) ? [nth] : []));
  const quick = model.trials.flatMap((trial, nth) =>
    effortOf(trial, efforts) < efforts.meter && !isMeter(model, nth) ? [nth] : [],
  );
  const quickOf = classes.map((_, one) => quick.filter((nth) => touching[nth].has(one)));
  let turn = 0;
  for (const meter of meters) {
    const own = [...touching[meter]].filter((one) => counted.has(one));
    if (own.length === 0) continue;
    const candidates = quickOf[own[0]].filter((nth) => own.every((one) => touching[nth].has(one)));
    if (candidates.length === 0) {
      for (const one of own) counted.delete(one);
      continue;
    }
    const least = Math.min(...candidates.map((nth) => effortOf(model.trials[nth], efforts)));
    const mass = own.reduce((sum, one) => sum + masses[one], 0);
    turn = Math.max(turn, mass / (1 - least / efforts.meter));
  }
  return { counted, turn };
}

const isMeter = (model: Model, trial: number) => model.trials[trial].effort === "meter";

const withoutMeters = (model: Model): Model => ({
  ...model,
  rows: model.rows.map((row, nth) => (isMeter(model, nth) ? { ...row, others: new Map() } : row)),
});

const weigh = (suspects: readonly number[], weights: Float64Array) =>
  suspects.reduce((sum, suspect) => sum + weights[suspect], 0);

/**
 * What only a meter tells apart has to be learnt from meters, at most the logarithm of what one can show; the rest at the
 * best rate of any test (chain rule of entropy).
 */
function informationBound(
  model: Model,
  suspects: readonly number[],
  shares: Float64Array,
  efforts: Efforts,
  classes: number[][],
): number {
  const total = entropyBits(groupsOf(model, suspects).map((group) => weigh(group, shares)));
  const told = entropyBits(classes.map((group) => weigh(group, shares)));
  let meterRate = 0;
  let rate = 0;
  model.trials.forEach((trial, nth) => {
    const perEffort = Math.log2(splitBy(model, nth, suspects).size) / effortOf(trial, efforts);
    if (isMeter(model, nth)) meterRate = Math.max(meterRate, perEffort);
    rate = Math.max(rate, perEffort);
  });
  return (meterRate > 0 ? (total - told) / meterRate : 0) + (rate > 0 ? told / rate : 0);
}

/** A test as a cover: whom it touches, and its effort. */
interface Cover {
  touches: number[];
  effort: number;
}

const ROUNDS = 40;

/**
 * Mean effort until the first test that touches the fault: the weight that is still untouched, added up over all effort.
 * At most how much can be touched with an effort E is a linear program (most weight covered within a budget); any prices u
 * on the suspects give a bound to it: sum of u times weight, and the best use of E on what is left of the weights. Prices
 * are improved step by step (subgradients).
 * @param leaveUntouched adding up ends when no more weight than this is left
 */
function coverageBound(
  covers: Cover[],
  suspects: readonly number[],
  shares: Float64Array,
  leaveUntouched: number,
): number {
  if (covers.length === 0) return 0;
  const prices = new Float64Array(shares.length);
  let budget = Math.min(...covers.map(({ effort }) => effort));
  // Before the cheapest test is done nothing at all is touched.
  let mean = budget;
  for (;;) {
    const next = budget * GROWTH;
    const left = 1 - Math.min(1, mostTouched(covers, suspects, shares, prices, next));
    if (left <= leaveUntouched + 1e-9) return mean;
    // Until that is spent at least so much is untouched.
    mean += left * (next - budget);
    budget = next;
  }
}

/** From budget to budget. */
const GROWTH = 1.06;

function coversOf(model: Model, suspects: readonly number[], effortOfTrial: (trial: number) => number): Cover[] {
  const among = new Set(suspects);
  return model.trials.flatMap((_, nth): Cover[] => {
    const touches = [...model.rows[nth].others.keys()].filter((suspect) => among.has(suspect));
    return touches.length > 0 ? [{ touches, effort: effortOfTrial(nth) }] : [];
  });
}

function mostTouched(
  covers: Cover[],
  suspects: readonly number[],
  shares: Float64Array,
  prices: Float64Array,
  budget: number,
): number {
  let best = Infinity;
  const kept = Float64Array.from(prices);
  const covered = new Float64Array(shares.length);
  for (let round = 0; round < ROUNDS; round++) {
    let bound = suspects.reduce((sum, suspect) => sum + prices[suspect] * shares[suspect], 0);
    const worths = covers
      .map((cover) => ({
        cover,
        worth: cover.touches.reduce((sum, suspect) => sum + (1 - prices[suspect]) * shares[suspect], 0),
      }))
      .sort((one, other) => other.worth / other.cover.effort - one.worth / one.cover.effort);
    covered.fill(0);
    let left = budget;
    for (const { cover, worth } of worths) {
      if (left <= 0) break;
      const part = Math.min(1, left / cover.effort);
      left -= part * cover.effort;
      bound += part * worth;
      for (const suspect of cover.touches) covered[suspect] += part;
    }
    if (bound < best) {
      best = bound;
      kept.set(prices);
    }
    // What is covered more than once is worth less; what is not covered, more.
    const pace = 0.5 / (1 + round / 4);
    for (const suspect of suspects)
      prices[suspect] = Math.min(1, Math.max(0, prices[suspect] + pace * (Math.min(2, covered[suspect]) - 1)));
  }
  prices.set(kept);
  return best;
}
