import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ladderMargin, rungTold } from "../circuits/ladderVoltage";
import {
  bankOf,
  bestLadder,
  equalOhms,
  ladderYield,
  marginBound,
  mostKeys,
  neededMargin,
  twoAtOnce,
  valuesAround,
} from "./ladderDesign";
import { readRests, restScatter, scaling } from "./rest";
import { cornerHz, mostSourceOhm, sampleErrorCounts, trackSourceOhm } from "./sampling";
import { travelOf } from "./travel";

const spec = (keys: number, tolerance: number, pullDownOhm = 1e6) => ({ keys, pullDownOhm, tolerance, ripple: 0 });

describe("a ladder of twelve keys", () => {
  const margin = (tolerance: number) => ladderMargin(bankOf(equalOhms(12, 1000), 1e6), tolerance, 0.03);

  it("on a supply of 3 % ripple fails with resistors of 5 % and holds with those of 1 %", () => {
    expect(margin(0.05)).toBeLessThan(neededMargin(10));
    expect(margin(0.01)).toBeGreaterThan(neededMargin(10));
  });

  it("is more than a bank of 5 % holds, and less than one of 1 % does", () => {
    const most = (tolerance: number) => mostKeys({ pullDownOhm: 1e6, tolerance, ripple: 0.03 }, 1000, neededMargin(10));
    expect(most(0.05)).toBeLessThan(12);
    expect(most(0.01)).toBeGreaterThanOrEqual(12);
    expect(most(0.2)).toBeLessThan(most(0.05));
  });
});

/** Every choice of values, with nothing of the optimiser but the margin. */
function exhaustively(keys: number, values: number[], tolerance: number): number {
  let best = -Infinity;
  for (let code = 0; code < values.length ** keys; code++) {
    const ohms = Array.from(
      { length: keys },
      (_, nth) => values[Math.floor(code / values.length ** nth) % values.length],
    );
    best = Math.max(best, ladderMargin(bankOf(ohms, 47_000), tolerance));
  }
  return best;
}

describe("resistors of a series", () => {
  it("around 1 kΩ are those of E12 within a factor", () =>
    expect(valuesAround("E12", 1000)).toEqual([470, 560, 680, 820, 1000, 1200, 1500, 1800, 2200]));

  it.each([2, 3, 4, 5, 6])("are chosen as well as trying all choices would, for %i keys", (keys) => {
    const values = valuesAround(keys > 5 ? "E6" : "E12", 1000);
    const found = bestLadder(spec(keys, 0.05, 47_000), values, 1);
    expect(found.margin).toBeCloseTo(exhaustively(keys, values, 0.05), 12);
    expect(found.isExhaustive).toBe(true);
  });

  it("found by climbing are as good as those found by trying all, where both can be done", () => {
    // Beyond a million choices the climb is taken: seven of E12 are 4.8 million.
    const values = valuesAround("E12", 1000).slice(1, 8);
    const climbed = bestLadder(spec(8, 0.05, 47_000), values, 3);
    expect(climbed.isExhaustive).toBe(false);
    expect(climbed.margin).toBeGreaterThanOrEqual(ladderMargin(bankOf(equalOhms(8, 1000), 47_000), 0.05));
    expect(climbed.margin).toBeLessThanOrEqual(climbed.bound);
  });

  it("never beat the bound, whatever they are", () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 100, max: 10_000, noNaN: true }), { minLength: 2, maxLength: 14 }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        fc.double({ min: 10_000, max: 1e7, noNaN: true }),
        (ohms, tolerance, pullDownOhm) => {
          const margin = ladderMargin(bankOf(ohms, pullDownOhm), tolerance);
          expect(margin).toBeLessThanOrEqual(marginBound(spec(ohms.length, tolerance, pullDownOhm)) + 1e-12);
        },
      ),
    ));

  it("reach the bound where they are exact and nothing loads them", () =>
    expect(ladderMargin(bankOf(equalOhms(10, 1000), 1e12), 0)).toBeCloseTo(marginBound(spec(10, 0)), 6));
});

describe("ladders built by chance", () => {
  it("never go beyond the exact worst case, and come near it", () => {
    const bank = bankOf(equalOhms(6, 1000), 100_000);
    const found = ladderYield(bank, 0.05, 0, 0, 7, 20_000);
    expect(found.leastMargin).toBeGreaterThanOrEqual(found.worstCase);
    expect(found.leastMargin).toBeLessThan(found.meanMargin);
    expect(found.part).toBe(1);
  });

  it("fail in part where the worst case fails", () => {
    const found = ladderYield(bankOf(equalOhms(24, 1000), 1e6), 0.2, 0, neededMargin(10), 1, 5000);
    expect(found.worstCase).toBeLessThan(0);
    expect(found.part).toBeGreaterThan(0.05);
    expect(found.part).toBeLessThan(1);
  });

  it("of exact resistors keep just what ripple leaves, on both sides of a window", () => {
    for (const bank of [bankOf(equalOhms(12, 1000), 1e6), bankOf([100, 5000, 5000], 1e6), bankOf([5000, 200], 1e6)])
      for (const ripple of [0, 0.02, 0.05]) {
        const { leastMargin, worstCase } = ladderYield(bank, 0, ripple, 0, 4, 3);
        expect(leastMargin).toBeCloseTo(worstCase, 12);
      }
  });

  it("are the same from the same seed", () => {
    const bank = bankOf(equalOhms(12, 1000), 1e6);
    expect(ladderYield(bank, 0.05, 0.001, 0.002, 9, 500)).toEqual(ladderYield(bank, 0.05, 0.001, 0.002, 9, 500));
  });
});

describe("two keys of a bank at once", () => {
  it("are told as one of them or as a third, and every pair is counted", () => {
    const bank = bankOf(equalOhms(8, 1000), 1e6);
    const told = twoAtOnce(bank, (level) => rungTold(bank, level));
    expect(told.pairs).toBe(28);
    expect(told.asLower + told.asUpper + told.asThird).toBe(28);
    expect(told.asThird).toBeGreaterThan(0);
  });
});

describe("sampling", () => {
  const converter = { bits: 10, conversionUs: 104, samplePf: 14, sampleUs: 12 };

  it("takes eleven halvings to half a step of ten bits, by hand: 12 µs / (14 pF · 7.62)", () => {
    expect(mostSourceOhm(converter)).toBeCloseTo(12e-6 / (14e-12 * 11 * Math.LN2), 6);
    expect(sampleErrorCounts(converter, mostSourceOhm(converter))).toBeCloseTo(0.5, 6);
  });

  it("sees a quarter of a track at its middle, and a corner at 1/2πRC", () => {
    expect(trackSourceOhm(10_000)).toBe(2500);
    expect(cornerHz(10_000, 1e-7)).toBeCloseTo(159.15, 2);
  });
});

describe("a lever", () => {
  it("of 20° on a track of 270° uses 7 %, a gear of 12 all but the ends", () => {
    const plain = travelOf(270, 20, 1, 10);
    expect(plain.usedPart).toBeCloseTo(0.0741, 4);
    expect(plain.counts).toBeCloseTo(75.9, 1);
    expect(travelOf(270, 20, plain.fullRatio, 10).usedPart).toBeCloseTo(0.9, 9);
  });
});

describe("where a stick rests", () => {
  it("gives its centre, and the smallest zone that hides every rest", () => {
    const found = restScatter([
      { x: 0.5, y: 0.5 },
      { x: 0.52, y: 0.5 },
      { x: 0.48, y: 0.5 },
    ])!;
    expect(found.centre).toEqual({ x: 0.5, y: 0.5 });
    expect(found.radial).toBeCloseTo(0.02 + 2 / 1024, 9);
    expect(found.byAxis.y).toBeCloseTo(2 / 1024, 9);
    expect(restScatter([])).toBeNull();
  });

  it("is read from counts or parts, two a line, and refused otherwise", () => {
    expect(readRests("512, 500\n511;501\n", 10)).toHaveLength(2);
    expect(readRests("0.5 0.5", 10)).toEqual([{ x: 0.5, y: 0.5 }]);
    for (const bad of ["512", "512 abc", "2000 3", "-1 4", "1 2 3"]) expect(readRests(bad, 10)).toBeNull();
  });

  it("scales to fewer steps without gaps, to more with some", () => {
    expect(scaling(1024, 8)).toEqual({ steps: 256, unreachable: 0, together: 4 });
    expect(scaling(100, 8).unreachable).toBe(156);
  });
});
