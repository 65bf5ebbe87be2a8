import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import { randomFrom } from "@/core/optimisation/random";
import { type SplitProblem, splitOrders } from "@/core/purchase/splitOrders";

const solver = loadHighs();

/** The same as an integer programme (CPLEX LP format): who sells each part, whom one buys of, and what lacks to their minimums. */
function lpText({ suppliers, costs }: SplitProblem): string {
  const sells = costs.map((row) => row.flatMap((cost, nth) => (cost === null ? [] : [{ nth, cost }])));
  const goods = sells.flatMap((row, part) => row.map(({ nth, cost }) => `${cost} x${part}_${nth}`));
  const terms = suppliers.flatMap(({ shipping }, nth) => [`${shipping} u${nth}`, `1 s${nth}`]);
  const lines = [
    ...sells.map((row, part) => `${row.map(({ nth }) => `x${part}_${nth}`).join(" + ")} = 1`),
    ...sells.flatMap((row, part) => row.map(({ nth }) => `x${part}_${nth} - u${nth} <= 0`)),
    ...suppliers.map(({ minimum }, nth) => {
      const own = sells.flatMap((row, part) =>
        row.filter((one) => one.nth === nth).map(({ cost }) => `${cost} x${part}_${nth}`),
      );
      return `${[...own, `s${nth}`].join(" + ")} - ${minimum} u${nth} >= 0`;
    }),
  ];
  const binaries = [
    ...sells.flatMap((row, part) => row.map(({ nth }) => `x${part}_${nth}`)),
    ...suppliers.map((_, nth) => `u${nth}`),
  ];
  return [
    "Minimize",
    ` obj: ${[...goods, ...terms].join(" + ")}`,
    "Subject To",
    ...lines.map((line, nth) => ` c${nth}: ${line}`),
    "Binary",
    ` ${binaries.join(" ")}`,
    "End",
  ].join("\n");
}

/** Prices in cents, as shops have them. */
function drawn(seed: number): SplitProblem {
  const random = randomFrom(seed);
  const upTo = (most: number) => Math.floor(random() * most);
  const suppliers = Array.from({ length: 2 + upTo(4) }, () => ({ shipping: upTo(12), minimum: upTo(3) * 15 }));
  const costs = Array.from({ length: 5 + upTo(20) }, () => {
    const row = suppliers.map(() => (random() < 0.25 ? null : (50 + upTo(2000)) / 100));
    return row.every((cost) => cost === null) ? suppliers.map(() => 9) : row;
  });
  return { suppliers, costs };
}

// Source: an independent solver of integer programmes (HiGHS), given the problem in a form of its own.
describe("the cheapest split of orders", () => {
  // In the last of them the best split is a single cent cheaper than the next one.
  it.each([...Array.from({ length: 40 }, (_, nth) => nth + 1), 712])("costs what HiGHS finds (%i)", async (seed) => {
    const problem = drawn(seed);
    const answer = (await solver).solve(lpText(problem));
    expect(answer.Status).toBe("Optimal");
    const { total, proof } = splitOrders(problem);
    expect(proof).toBe("optimal");
    expect(total).toBeCloseTo(answer.ObjectiveValue, 5);
  });
});
