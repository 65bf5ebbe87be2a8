import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { largestHolding } from "./largestHolding";

describe("the largest number for which something holds", () => {
  const whole = (most: number) => fc.integer({ min: 0, max: most });

  it("is found whatever is guessed, and nothing beyond the most is tried", () =>
    fc.assert(
      fc.property(whole(200), whole(260), whole(260), (most, guess, limit) => {
        const tried: number[] = [];
        const found = largestHolding(most, guess, (value) => {
          tried.push(value);
          return value <= limit;
        });
        const expected = Math.min(most, limit);
        expect(found).toBe(expected === 0 ? null : expected);
        for (const value of tried) expect(value >= 1 && value <= most).toBe(true);
        expect(new Set(tried).size).toBe(tried.length);
      }),
    ));

  it("takes two trials where the guess is right", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1000 }), (limit) => {
        let trials = 0;
        const found = largestHolding(2000, limit, (value) => {
          trials += 1;
          return value <= limit;
        });
        expect([found, trials]).toEqual([limit, 2]);
      }),
    ));
});
