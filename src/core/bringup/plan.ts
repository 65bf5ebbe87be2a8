import type { Answer } from "./infer";
import type { Model } from "./model";

/**
 * The tests that every device goes through, in the order of the work: supply against ground before any power, loading, its name,
 * what comes by itself, each control, lamps and lights, knobs, axes, and all of it while the board is bent. Numbers of tests
 * in the model.
 */
export function planOf(model: Model, answers: readonly Answer[]): { done: number; of: number; open: number[] } {
  // Where nothing is wired, that nothing comes would be no proof that it works.
  if (model.base.assembled.nets.size === 0) return { done: 0, of: 0, open: [] };
  const all = [
    ...byDeed(model, "check"),
    ...byDeed(model, "idle"),
    ...presses(model),
    ...byDeed(model, "show"),
    ...byDeed(model, "turn"),
    ...byDeed(model, "axis"),
    ...byDeed(model, "bend"),
  ];
  const made = new Set(answers.map(({ trial }) => trial));
  const open = all.filter((nth) => !made.has(model.trials[nth].id));
  return { done: all.length - open.length, of: all.length, open };
}

const byDeed = ({ trials }: Model, does: string): number[] =>
  trials.flatMap((trial, nth) => (trial.deed.does === does ? [nth] : []));

/** Sweeps that reach every key with as few tests as can be, the widest first; what none reaches is pressed by itself. */
function presses({ trials }: Model): number[] {
  const left = new Set(trials.flatMap(({ deed }) => (deed.does === "hold" && deed.held.length === 1 ? deed.held : [])));
  const taken: number[] = [];
  const sweeps = trials.flatMap(({ deed }, nth) => (deed.does === "sweep" ? [{ nth, each: deed.each }] : []));
  for (;;) {
    const gain = ({ each }: { each: string[] }) => each.filter((id) => left.has(id)).length;
    const best = sweeps.reduce<(typeof sweeps)[number] | null>(
      (top, one) => (!top || gain(one) > gain(top) ? one : top),
      null,
    );
    if (!best || gain(best) < 2) break;
    taken.push(best.nth);
    for (const id of best.each) left.delete(id);
  }
  const singles = trials.flatMap(({ deed }, nth) =>
    deed.does === "hold" && deed.held.length === 1 && left.has(deed.held[0]) ? [nth] : [],
  );
  return [...taken, ...singles];
}
