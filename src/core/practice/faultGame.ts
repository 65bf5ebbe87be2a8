import { groupsOf, priorBelief, splitBy } from "../bringup/infer";
import type { Model } from "../bringup/model";
import { nextTrial } from "../bringup/strategy";
import { type Efforts, effortOf } from "../bringup/trial";

/** What the best line of tests spends until it has named a fault, and which suspects no test tells apart from it. */
export interface BestLine {
  effort: number;
  tests: { title: string; effort: number }[];
  group: string[];
}

/** The line of tests as Bring-up would propose them, for one fault. */
export function bestLineFor(model: Model, faultId: string, efforts: Efforts): BestLine | null {
  const fault = model.suspects.findIndex(({ id }) => id === faultId);
  if (fault < 0) return null;
  const weights = priorBelief(model);
  const tests: BestLine["tests"] = [];
  let left = model.suspects.map((_, nth) => nth);
  for (;;) {
    const trial = nextTrial(model, left, weights, efforts);
    if (trial === null) break;
    tests.push({ title: model.trials[trial].title, effort: effortOf(model.trials[trial], efforts) });
    left = [...splitBy(model, trial, left).values()].find((part) => part.includes(fault))!;
  }
  return {
    effort: tests.reduce((sum, { effort }) => sum + effort, 0),
    tests,
    group: left.map((nth) => model.suspects[nth].id),
  };
}

/** Whether a suspect is the fault, as far as any test can tell. */
export function isNamedRight(model: Model, faultId: string, namedId: string): boolean {
  const [fault, named] = [faultId, namedId].map((id) => model.suspects.findIndex((one) => one.id === id));
  if (fault < 0 || named < 0) return false;
  return groupsOf(model, [fault, named]).length === 1;
}

/** What tests cost that somebody made, by their ids; the same one twice costs twice. */
export function effortSpent(model: Model, trialIds: readonly string[], efforts: Efforts): number {
  return trialIds.reduce((sum, id) => {
    const at = model.trialById.get(id);
    return sum + (at === undefined ? 0 : effortOf(model.trials[at], efforts));
  }, 0);
}
