import { describe, expect, it } from "vitest";
import { smallMatrix } from "../../../tests/support/designs";
import { groupsOf, priorBelief, splitBy } from "./infer";
import { type Model, modelOf } from "./model";
import { bestChoice } from "./promise";
import { allGroups, countGroups, cut, isOneGroup, smallTable, weightOf } from "./smallTable";
import { leastEffort } from "./smallest";
import { lineOfTests, meanEffort, nextTrial } from "./strategy";
import { usualEfforts } from "./trial";

const model = modelOf(smallMatrix(2, 1, "column-to-row"));
const all = model.suspects.map((_, nth) => nth);
const weights = priorBelief(model);
const some = all.filter((nth) => nth % 2 === 0);

describe("the table of few groups", () => {
  const table = smallTable(model, some, weights, usualEfforts)!;

  it("holds each group once, with the weight of its suspects", () => {
    expect(table.weights).toHaveLength(groupsOf(model, some).length);
    const sum = some.reduce((total, one) => total + weights[one], 0);
    expect(weightOf(table, allGroups(table))).toBeCloseTo(sum, 12);
    expect(countGroups(allGroups(table))).toBe(table.weights.length);
  });

  it("cuts a set into parts that share nothing and leave nothing out", () => {
    for (const test of table.tests) {
      const parts = cut(test, allGroups(table));
      expect(parts.reduce((one, other) => one | other, 0)).toBe(allGroups(table));
      expect(parts.reduce((count, part) => count + countGroups(part), 0)).toBe(table.weights.length);
      expect(parts.length).toBe(splitBy(model, test.trial, some).size);
    }
  });

  it("keeps apart what only silence tells apart: nothing that comes is not the same as what should", () => {
    const [press] = model.trials.flatMap(({ deed }, nth) =>
      deed.does === "hold" && [...model.rows[nth].others.values()].includes("") ? [nth] : [],
    );
    const silent = all.find((one) => model.rows[press].others.get(one) === "")!;
    const sound = all.find((one) => !model.rows[press].others.has(one))!;
    const only = smallTable(model, [silent, sound], weights, usualEfforts, (trial) => trial === press)!;
    expect(only.weights).toHaveLength(2);
    expect(only.tests.map(({ trial }) => trial)).toEqual([press]);
  });

  it("has one test of those that tell the same apart, the one with the least effort, of those that are allowed", () => {
    const row = (came: string) => ({ base: "", others: new Map([[0, came]]) });
    const made = {
      suspects: [{}, {}, {}],
      trials: [
        { effort: "meter", times: 1 },
        { effort: "press", times: 1 },
        { effort: "press", times: 2 },
      ],
      rows: [row("open"), row("no"), row("no")],
    } as unknown as Model;
    const even = Float64Array.from([1, 1, 1]);
    const told = (allowed?: (trial: number) => boolean) =>
      smallTable(made, [0, 1, 2], even, usualEfforts, allowed)!.tests.map(({ trial }) => trial);
    expect(told()).toEqual([1]);
    expect(told((trial) => trial !== 1)).toEqual([2]);
    expect(told((trial) => trial === 0)).toEqual([0]);
    expect(told(() => false)).toEqual([]);
  });

  it("is not made of more groups than it can hold, nor of none that can be told apart", () => {
    const large = modelOf(smallMatrix(3, 2, "column-to-row"));
    const everyone = large.suspects.map((_, nth) => nth);
    expect(smallTable(large, everyone, priorBelief(large), usualEfforts)).toBeNull();
    expect(() => leastEffort(large, everyone, priorBelief(large), usualEfforts)).toThrow(RangeError);
    expect(smallTable(model, [], weights, usualEfforts)!.weights).toEqual([]);
    expect(nextTrial(model, [], weights, usualEfforts)).toBeNull();
    expect(nextTrial(model, [all[0]], weights, usualEfforts)).toBeNull();
    expect(isOneGroup(0) && isOneGroup(4) && !isOneGroup(6)).toBe(true);
  });
});

describe("looking ahead", () => {
  it("takes less effort than the test that promises most, and goes on as it began", () => {
    const line = lineOfTests(model, all, weights, usualEfforts);
    const greedy = (set: number[]): number => {
      const choice = bestChoice(model, set, weights, usualEfforts);
      if (!choice) return 0;
      const own = choice.effort * set.reduce((sum, one) => sum + weights[one], 0);
      return [...splitBy(model, choice.trial, set).values()].reduce((sum, part) => sum + greedy(part), own);
    };
    expect(meanEffort(line, weights)).toBeLessThan(greedy(all) - 0.1);
    let at = line;
    while ("by" in at) {
      expect(nextTrial(model, at.suspects, weights, usualEfforts)).toBe(at.trial);
      at = [...at.by.values()].sort((one, other) => other.suspects.length - one.suspects.length)[0];
    }
  });

  it("does not ask how much all weights are, only how much of each other", () => {
    const tenfold = weights.map((weight) => weight * 10);
    expect(nextTrial(model, some, tenfold, usualEfforts)).toBe(nextTrial(model, some, weights, usualEfforts));
  });
});
