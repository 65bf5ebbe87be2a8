import type { Fault } from "./fault";
import type { Answer } from "./infer";
import type { Model } from "./model";
import { outcomeOf } from "./predict";

/** So many single faults are tried in pairs: those that explain most of what came. */
const TRIED_MOST = 60;

/** Two faults that together explain every answer, the likeliest first. */
export interface Pair {
  words: [string, string];
  share: number;
}

/**
 * Pairs of faults, asked for when no single one explains everything. Each of both must explain something that a sound device
 * would not have told; the electrical world says what both together do.
 * @param now a clock in ms, and how long may be searched
 */
export function pairsFor(
  model: Model,
  answers: readonly Answer[],
  now: () => number,
  withinMs: number,
): { pairs: Pair[]; isAll: boolean } {
  const rows = answers.flatMap(({ trial, came }) => {
    const at = model.trialById.get(trial);
    return at === undefined ? [] : [{ trial: model.trials[at], came, ...model.rows[at] }];
  });
  const score = (suspect: number) =>
    rows.filter(({ came, base, others }) => came !== base && (others.get(suspect) ?? base) === came).length;
  const fits = (suspect: number) =>
    rows.filter(({ came, base, others }) => (others.get(suspect) ?? base) === came).length;
  const tried = model.suspects
    .map((_, nth) => nth)
    .filter((nth) => score(nth) > 0)
    .sort((one, other) => fits(other) - fits(one) || model.suspects[other].prior - model.suspects[one].prior)
    .slice(0, TRIED_MOST);
  const explains = (faults: Fault[]) =>
    rows.every(({ trial, came }) => outcomeOf(model.base, faults, trial.deed) === came);
  const found: { words: [string, string]; weight: number }[] = [];
  const end = now() + withinMs;
  let isAll = true;
  for (let one = 0; one < tried.length && isAll; one++)
    for (let other = one + 1; other < tried.length; other++) {
      if (now() > end) {
        isAll = false;
        break;
      }
      const [a, b] = [model.suspects[tried[one]], model.suspects[tried[other]]];
      if (explains([a.fault, b.fault])) found.push({ words: [a.words, b.words], weight: a.prior * b.prior });
    }
  const sum = found.reduce((all, { weight }) => all + weight, 0);
  return {
    pairs: found
      .sort((a, b) => b.weight - a.weight)
      .slice(0, 8)
      .map(({ words, weight }) => ({ words, share: weight / sum })),
    isAll,
  };
}
