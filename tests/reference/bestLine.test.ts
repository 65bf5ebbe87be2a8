import { describe, expect, it } from "vitest";
import { boundsOf } from "@/core/bringup/bounds";
import { groupsOf, priorBelief, splitBy } from "@/core/bringup/infer";
import { type Model, modelOf } from "@/core/bringup/model";
import { lineOfTests, meanEffort } from "@/core/bringup/strategy";
import { effortOf, usualEfforts } from "@/core/bringup/trial";
import { randomFrom } from "@/core/optimisation/random";
import { BestLine, type Question } from "../support/bestLine";
import { smallMatrix } from "../support/designs";

/** What each possibility answers to all questions. */
const answers = (count: number, questions: Question[]) =>
  Array.from({ length: count }, (_, one) =>
    questions.map(({ others }) => others.findIndex((group) => group.includes(one))).join(),
  );

/** Every line of questions, one after the other: slow, and plain enough to be seen through. */
function byEveryLine(weights: number[], questions: Question[], some = weights.map((_, nth) => nth)): number {
  if (some.length < 2) return 0;
  const mass = some.reduce((sum, one) => sum + weights[one], 0);
  let least = Infinity;
  for (const { effort, others } of questions) {
    const told = some.map((one) => others.findIndex((group) => group.includes(one)));
    const parts = [...new Set(told)].map((answer) => some.filter((_, nth) => told[nth] === answer));
    if (parts.length < 2) continue;
    least = Math.min(
      least,
      effort * mass + parts.reduce((sum, part) => sum + byEveryLine(weights, questions, part), 0),
    );
  }
  return least === Infinity ? 0 : least;
}

it("the search for the best line of questions finds what looking at every line finds", () => {
  const random = randomFrom(77);
  const below = (most: number) => Math.floor(random() * most);
  let compared = 0;
  while (compared < 300) {
    const count = 2 + below(5);
    const weights = Array.from({ length: count }, () => 0.05 + random() ** 3);
    const questions = Array.from({ length: 2 + below(6) }, (): Question => {
      const drawn = Array.from({ length: count }, () => below(3));
      const others = [1, 2].map((answer) => drawn.flatMap((one, nth) => (one === answer ? [nth] : [])));
      return { effort: 1 + below(5), others: others.filter((group) => group.length > 0) };
    });
    const told = answers(count, questions);
    if (new Set(told).size < count) continue;
    compared += 1;
    const sum = weights.reduce((all, one) => all + one, 0);
    const least = byEveryLine(weights, questions) / sum;
    expect(new BestLine(weights, questions).leastEffort(least + 1)).toBeCloseTo(least, 9);
  }
});

/** Faults that tests tell apart, and what each test tells of them. */
function questionsOf(model: Model, groups: number[][]): Question[] {
  const firsts = groups.map(([first]) => first);
  return model.trials.map((trial, nth) => {
    const parts = [...splitBy(model, nth, firsts).values()].sort((one, other) => other.length - one.length);
    return {
      effort: effortOf(trial, usualEfforts),
      others: parts.slice(1).map((part) => part.map((suspect) => firsts.indexOf(suspect))),
    };
  });
}

/** Every line of 3 × 2 takes minutes on a slow machine. */
const FOR_WHAT_HANGS_MS = 1_800_000;

describe("the line of tests that is proposed is the best there is, from the first test to the last", () => {
  for (const [columns, rows, diodes] of [
    [1, 1, "column-to-row"],
    [2, 1, "none"],
    [2, 1, "column-to-row"],
    [1, 2, "row-to-column"],
    [3, 1, "column-to-row"],
    [2, 2, "none"],
    [2, 2, "column-to-row"],
    [3, 2, "row-to-column"],
  ] as const)
    it(`${columns} × ${rows}, diodes ${diodes}`, { timeout: FOR_WHAT_HANGS_MS }, () => {
      const model = modelOf(smallMatrix(columns, rows, diodes));
      const all = model.suspects.map((_, nth) => nth);
      const weights = priorBelief(model);
      const ours = meanEffort(lineOfTests(model, all, weights, usualEfforts), weights);
      const groups = groupsOf(model, all);
      const shares = groups.map((group) => group.reduce((sum, suspect) => sum + weights[suspect], 0));
      const search = new BestLine(shares, questionsOf(model, groups));
      const best = search.leastEffort(ours + 1e-6);
      const { most } = boundsOf(model, all, weights, usualEfforts);
      console.log(
        `${columns} × ${rows}, ${diodes}: ${groups.length} groups, ours ${ours.toFixed(4)}, best ${best.toFixed(4)} (${search.looked} sets looked at), bound ${most.toFixed(2)}: the best is ${(best / most).toFixed(2)} × the bound`,
      );
      expect(ours).toBeCloseTo(best, 9);
      // The bound is below even the best line.
      expect(most).toBeLessThanOrEqual(best + 1e-9);
    });
});
