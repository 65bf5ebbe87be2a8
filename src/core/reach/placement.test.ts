import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { demoDesigns } from "@demo/index";
import { takePlacement } from "../edits/takePlacement";
import { type PlacementProblem, placeFunctions, placementCost, placementProblem, singlePlacement } from "./placement";

function permutations(count: number): number[][] {
  if (count === 0) return [[]];
  return permutations(count - 1).flatMap((rest) =>
    Array.from({ length: count }, (_, at) => [...rest.slice(0, at), count - 1, ...rest.slice(at)]),
  );
}

/** Keys on a few fingers along a line, and any counts. */
const problem = (count: number): fc.Arbitrary<PlacementProblem> =>
  fc
    .record({
      places: fc.array(fc.nat(90), { minLength: count, maxLength: count }),
      fingers: fc.array(fc.nat(2), { minLength: count, maxLength: count }),
      presses: fc.array(fc.oneof(fc.nat(50), fc.constant(0)), { minLength: count, maxLength: count }),
      pairs: fc.array(fc.array(fc.nat(9), { minLength: count, maxLength: count }), {
        minLength: count,
        maxLength: count,
      }),
    })
    .map(({ places, fingers, presses, pairs }) => ({
      inputs: places.map((_, nth) => `k${nth}`),
      presses,
      pairs: pairs.map((row, one) =>
        row.map((times, other) => (one === other || presses[one] === 0 || presses[other] === 0 ? 0 : times)),
      ),
      fromHome: places.map((at, nth) => Math.abs(at - 40 * fingers[nth])),
      between: places.map((at, a) => places.map((other, b) => (fingers[a] === fingers[b] ? Math.abs(at - other) : 0))),
    }));

describe("a placement of functions", () => {
  it("is the best of all to 8 keys", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }).chain(problem), (one) => {
        const least = Math.min(...permutations(one.inputs.length).map((keyOf) => placementCost(one, keyOf)));
        const placed = placeFunctions(one, 1, 0);
        expect(placed.cost).toBeCloseTo(least, 6);
        expect(placed.bound).toBeCloseTo(least, 6);
      }),
      { numRuns: 60, seed: 2 },
    ));

  it("is the best of all of 8 keys", () =>
    fc.assert(
      fc.property(problem(8), (one) => {
        const least = permutations(8).reduce((best, keyOf) => Math.min(best, placementCost(one, keyOf)), Infinity);
        expect(placeFunctions(one, 1, 0).cost).toBeCloseTo(least, 6);
      }),
      { numRuns: 3, seed: 5 },
    ));

  it("is exact for single presses, and these bound the others", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }).chain(problem), (one) => {
        const alone = { ...one, pairs: one.pairs.map((row) => row.map(() => 0)) };
        const least = Math.min(...permutations(one.inputs.length).map((keyOf) => placementCost(alone, keyOf)));
        const { keyOf, bound } = singlePlacement(one);
        expect(bound).toBeCloseTo(least, 6);
        expect(placementCost(alone, keyOf)).toBeCloseTo(least, 6);
        expect(placeFunctions(one, 1, 0).cost).toBeGreaterThanOrEqual(bound - 1e-6);
      }),
      { numRuns: 60, seed: 3 },
    ));

  it("uses each key once, never costs more than what was there, and is the same for the same seed", () =>
    fc.assert(
      fc.property(fc.integer({ min: 9, max: 14 }).chain(problem), fc.nat(99), (one, seed) => {
        const placed = placeFunctions(one, seed, 4);
        expect([...placed.keyOf].sort((a, b) => a - b)).toEqual(one.inputs.map((_, nth) => nth));
        expect(placed.cost).toBeCloseTo(placementCost(one, placed.keyOf), 6);
        expect(placed.cost).toBeGreaterThanOrEqual(placed.bound - 1e-6);
        expect(placeFunctions(one, seed, 4)).toEqual(placed);
        // What is never pressed moves only where its key is wanted by what is.
        const wanted = new Set(placed.keyOf.filter((_, nth) => one.presses[nth] > 0));
        placed.keyOf.forEach((key, nth) => one.presses[nth] === 0 && !wanted.has(nth) && expect(key).toBe(nth));
      }),
      { numRuns: 40, seed: 7 },
    ));

  it("comes within 1.1 of its bound on 30 keys of Loom 64, with the others kept", () => {
    const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
    const all = placementProblem(loom, new Set());
    const thirty = new Set(
      [...all.inputs]
        .sort((a, b) => all.presses[all.inputs.indexOf(b)] - all.presses[all.inputs.indexOf(a)])
        .slice(0, 30),
    );
    const problemOf = placementProblem(loom, new Set(all.inputs.filter((id) => !thirty.has(id))));
    expect(problemOf.inputs).toHaveLength(30);
    const now = placementCost(
      problemOf,
      problemOf.inputs.map((_, nth) => nth),
    );
    const placed = placeFunctions(problemOf, 1, 60);
    expect(placed.cost).toBeLessThan(now);
    expect(placed.cost / placed.bound).toBeLessThan(1.1);
    const moves = problemOf.inputs.map((fromId, nth) => ({ fromId, toId: problemOf.inputs[placed.keyOf[nth]] }));
    const taken = takePlacement(loom, moves);
    const counts = (bindings: object) =>
      Object.values(bindings)
        .map((one) => JSON.stringify(one))
        .sort();
    expect(counts(taken.keymap.layers[0].bindings)).toEqual(counts(loom.keymap.layers[0].bindings));
    const after = placementProblem(taken, new Set(all.inputs.filter((id) => !thirty.has(id))));
    expect(
      placementCost(
        after,
        after.inputs.map((_, nth) => nth),
      ),
    ).toBeCloseTo(placed.cost, 3);
  });

  it("keeps what is kept, and has nothing to do without a text or resting fingers", () => {
    const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
    expect(placementProblem(loom, new Set(["l32:press"])).inputs).not.toContain("l32:press");
    expect(placementProblem(loom, new Set()).inputs).not.toContain("l31:press");
    const without = { ...loom, reach: { ...loom.reach, homes: [] } };
    expect(placementProblem(without, new Set()).inputs).toEqual([]);
    expect(placeFunctions(placementProblem(without, new Set()), 1, 9)).toEqual({ keyOf: [], cost: 0, bound: 0 });
  });
});
