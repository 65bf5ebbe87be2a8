import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { randomFrom } from "../optimisation/random";
import { cheapestEnough } from "./offers";
import { type SplitProblem, splitOrders, splitTotal } from "./splitOrders";

/** Every split there is. */
function cheapestOfAll(problem: SplitProblem): number {
  const parts = problem.costs.length;
  const walk = (supplierOf: number[]): number =>
    supplierOf.length === parts
      ? splitTotal(problem, supplierOf)
      : Math.min(
          ...problem.costs[supplierOf.length].flatMap((cost, nth) =>
            cost === null ? [] : [walk([...supplierOf, nth])],
          ),
        );
  return walk([]);
}

const problems = fc.record({
  suppliers: fc.array(
    fc.record({ shipping: fc.integer({ min: 0, max: 12 }), minimum: fc.constantFrom(0, 0, 10, 25) }),
    { minLength: 1, maxLength: 4 },
  ),
  rows: fc.array(fc.array(fc.option(fc.integer({ min: 0, max: 30 })), { minLength: 4, maxLength: 4 }), {
    maxLength: 6,
  }),
});
const problemOf = ({ suppliers, rows }: { suppliers: SplitProblem["suppliers"]; rows: (number | null)[][] }) => ({
  suppliers,
  costs: rows
    .map((row) => row.slice(0, suppliers.length))
    .map((row) => (row.every((cost) => cost === null) ? [7, ...row.slice(1)] : row)),
});

describe("a split of orders", () => {
  it("is as cheap as the cheapest of all", () => {
    fc.assert(
      fc.property(problems, (drawn) => {
        const problem = problemOf(drawn);
        const { total, proof, supplierOf } = splitOrders(problem);
        expect(total).toBeCloseTo(cheapestOfAll(problem), 9);
        expect(proof).toBe("optimal");
        expect(splitTotal(problem, supplierOf)).toBeCloseTo(total, 9);
      }),
      { numRuns: 600 },
    );
  });

  it.each([100, 1000])("is so to the last of %i parts of a money unit", (parts) => {
    fc.assert(
      fc.property(problems, (drawn) => {
        const { suppliers, costs } = problemOf(drawn);
        const fine = (value: number | null) => (value === null ? null : 1 + value / parts);
        const problem = {
          suppliers: suppliers.map(({ shipping, minimum }) => ({ shipping: shipping / parts, minimum: minimum / 5 })),
          costs: costs.map((row) => row.map(fine)),
        };
        expect(splitOrders(problem).total).toBeCloseTo(cheapestOfAll(problem), 9);
      }),
      { numRuns: 600 },
    );
  });

  it("leaves a second parcel out where it costs more than it saves", () => {
    const costs = [
      [10, 9],
      [10, 9],
      [10, null],
    ];
    const suppliers = (shipping: number) => [
      { shipping: 5, minimum: 0 },
      { shipping, minimum: 0 },
    ];
    expect(splitOrders({ suppliers: suppliers(3), costs }).supplierOf).toEqual([0, 0, 0]);
    expect(splitOrders({ suppliers: suppliers(1), costs }).supplierOf).toEqual([1, 1, 0]);
  });

  it("moves a part to where it costs more, to reach a minimum order", () => {
    const problem = {
      suppliers: [
        { shipping: 0, minimum: 0 },
        { shipping: 0, minimum: 20 },
      ],
      costs: [
        [null, 12],
        [7, 8],
      ],
    };
    expect(splitOrders(problem)).toMatchObject({ supplierOf: [1, 1], total: 20, proof: "optimal" });
  });

  it("proves 60 parts at five suppliers with minimums", () => {
    const random = randomFrom(3);
    const costs = Array.from({ length: 60 }, () =>
      Array.from({ length: 5 }, () => 1 + Math.round(random() * 900) / 100),
    );
    const suppliers = [4, 6, 8, 5, 9].map((shipping, nth) => ({ shipping, minimum: 20 + 10 * nth }));
    const { total, bound, proof } = splitOrders({ suppliers, costs });
    expect(bound).toBeLessThanOrEqual(total);
    expect(proof).toBe("optimal");
    // Minimums that two or three suppliers can hardly reach at once.
    const hard = splitOrders({ suppliers: suppliers.map(({ shipping }) => ({ shipping, minimum: 93.37 })), costs });
    expect(hard.proof).toBe("optimal");
    expect(hard.total).toBeGreaterThan(total);
  });

  it("tells a bound below it where its search is cut off", () => {
    // Prices that no cent divides, alike at all of them, with minimums between the sums of any.
    const costs = Array.from({ length: 80 }, (_, nth) => new Array<number>(4).fill(Math.sqrt(nth + 2)));
    const suppliers = [120.1, 121.2, 122.3, 122.4].map((minimum) => ({
      shipping: 0,
      minimum: minimum + Math.PI / 1e6,
    }));
    const { total, bound, proof } = splitOrders({ suppliers, costs });
    expect(bound).toBeLessThanOrEqual(total);
    expect(proof).toBe(bound < total - 1e-9 ? "gap" : "optimal");
    expect(total).toBeGreaterThanOrEqual(costs.reduce((sum, [cost]) => sum + cost, 0));
  });

  it("of nothing costs nothing, also where nobody sells", () => {
    expect(splitOrders({ suppliers: [], costs: [] })).toMatchObject({ total: 0, proof: "optimal" });
    expect(splitOrders({ suppliers: [{ shipping: 5, minimum: 9 }], costs: [] }).total).toBe(0);
  });
});

describe("what is bought of an offer", () => {
  const offer = {
    pack: 10,
    least: 20,
    steps: [
      { from: 1, each: 1 },
      { from: 100, each: 0.5 },
    ],
  };

  it("comes in packs, and not below the least", () => {
    expect(cheapestEnough(offer, 3)).toEqual({ quantity: 20, cost: 20 });
    expect(cheapestEnough(offer, 31)).toEqual({ quantity: 40, cost: 40 });
  });

  it("is more than is needed where a price step makes that cheaper", () => {
    expect(cheapestEnough(offer, 50)).toEqual({ quantity: 50, cost: 50 });
    expect(cheapestEnough(offer, 60)).toEqual({ quantity: 100, cost: 50 });
    expect(cheapestEnough(offer, 101)).toEqual({ quantity: 110, cost: 55 });
  });

  it("is never less than is needed, and never dearer than the plain quantity", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 25 }), (need, pack) => {
        const { quantity, cost } = cheapestEnough({ ...offer, pack }, need);
        expect(quantity).toBeGreaterThanOrEqual(need);
        expect(quantity % pack).toBe(0);
        const plain = Math.ceil(Math.max(need, 20) / pack) * pack;
        expect(cost).toBeLessThanOrEqual(plain * (plain < 100 ? 1 : 0.5) + 1e-9);
      }),
    );
  });
});
