import { describe, expect, it } from "vitest";
import { randomFrom } from "../optimisation/random";
import { type LoggedStep, type Pace, inverse, learntShare, paceOf, usualMinutes } from "./pace";
import { type StepSort, stepSorts } from "./stepSorts";
import { type TimeWish, hoursBySort, sittingsOf, spanWords, stepSpan, totalSpan } from "./time";

const steps: { sort: StepSort; units: number }[] = [
  ...Array.from({ length: 20 }, (_, nth) => ({ sort: "wire" as const, units: 3 + (nth % 5) })),
  ...Array.from({ length: 6 }, () => ({ sort: "small-part" as const, units: 8 })),
  { sort: "load", units: 1 },
  { sort: "close", units: 8 },
];
const first = (pace: Pace): TimeWish => ({ pace, device: 1, learning: 0.8 });

/** Normal numbers by the polar method. */
function normals(seed: number): () => number {
  const random = randomFrom(seed);
  return () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

describe("how long it takes", () => {
  it("lies where ten thousand builders by chance lie, who differ in all they do, by sort, and from step to step", () => {
    const normal = normals(5);
    const totals = Array.from({ length: 10_000 }, () => {
      const person = 0.3 * normal();
      const bySort = new Map(stepSorts.map(({ id, spread }) => [id, spread * normal()]));
      return steps.reduce(
        (sum, { sort, units }) =>
          sum + usualMinutes(sort, units) * Math.exp(person + bySort.get(sort)! + 0.25 * normal()),
        0,
      );
    }).sort((a, b) => a - b);
    const { low, middle, high } = totalSpan(steps, first(paceOf([])));
    // A sum of lognormals is only nearly lognormal.
    expect(low / totals[1000]).toBeGreaterThan(0.95);
    expect(low / totals[1000]).toBeLessThan(1.05);
    expect(middle / totals[5000]).toBeGreaterThan(0.96);
    expect(middle / totals[5000]).toBeLessThan(1.04);
    expect(high / totals[9000]).toBeGreaterThan(0.95);
    expect(high / totals[9000]).toBeLessThan(1.05);
  });

  it("of one step is its own span", () => {
    for (const { id } of stepSorts) {
      const wish = first(paceOf([]));
      const [one] = [{ sort: id, units: 7 }];
      const total = totalSpan([one], wish);
      const alone = stepSpan(one, wish);
      for (const at of ["low", "middle", "high"] as const) expect(total[at]).toBeCloseTo(alone[at], 6);
    }
    expect(totalSpan([], first(paceOf([])))).toEqual({ low: 0, middle: 0, high: 0 });
  });

  it("learns from what was logged: towards it, and the surer the more there is", () => {
    const logged = (count: number, factor: number): LoggedStep[] =>
      Array.from({ length: count }, () => ({
        sort: "wire",
        units: 5,
        minutes: factor * usualMinutes("wire", 5),
        device: 1,
      }));
    const wire = { sort: "wire" as const, units: 5 };
    const middles = [0, 1, 4, 30].map(
      (count) => stepSpan(wire, first(paceOf(logged(count, 2)))).middle / usualMinutes("wire", 5),
    );
    expect(middles[0]).toBeCloseTo(1, 9);
    expect(middles[1]).toBeGreaterThan(1.3);
    expect([...middles].sort((a, b) => a - b)).toEqual(middles);
    expect(middles[3]).toBeGreaterThan(1.95);
    expect(middles[3]).toBeLessThan(2);
    // Who is slow with wires is somewhat slower with caps too, and less is known of that.
    const cap = stepSpan({ sort: "cap", units: 10 }, first(paceOf(logged(30, 2))));
    const capBefore = stepSpan({ sort: "cap", units: 10 }, first(paceOf([])));
    expect(cap.middle / capBefore.middle).toBeGreaterThan(1.1);
    expect(cap.middle / capBefore.middle).toBeLessThan(1.7);
    expect(cap.high / cap.low).toBeLessThan(capBefore.high / capBefore.low);
    const own = stepSpan(wire, first(paceOf(logged(30, 2))));
    const before = stepSpan(wire, first(paceOf([])));
    expect(own.high / own.low).toBeLessThan(before.high / before.low);
  });

  it("finds what somebody is like by the posterior of a conjugate model with one sort, worked out by hand", () => {
    // With one sort observed, person and sort are one normal factor of variance a = 0.3² + 0.3²; n logs of spread s pull its mean to a / (a + s²/n).
    const variance = 0.3 ** 2 + 0.3 ** 2;
    const logged = Array.from({ length: 4 }, (): LoggedStep => ({
      sort: "wire",
      units: 5,
      minutes: Math.E * usualMinutes("wire", 5),
      device: 1,
    }));
    const pace = paceOf(logged);
    const nth = stepSorts.findIndex(({ id }) => id === "wire");
    expect(pace.mean[nth]).toBeCloseTo(variance / (variance + 0.25 ** 2 / 4), 9);
    expect(pace.covariance[nth][nth]).toBeCloseTo(1 / (1 / variance + 4 / 0.25 ** 2), 9);
  });

  it("falls to the learning share with each doubling, and a log of a later device is told as if it were the first", () => {
    expect(learntShare(1, 0.8)).toBe(1);
    expect(learntShare(2, 0.8)).toBeCloseTo(0.8, 12);
    expect(learntShare(8, 0.8)).toBeCloseTo(0.512, 12);
    expect(learntShare(30, 1)).toBe(1);
    const later: LoggedStep[] = [{ sort: "wire", units: 5, minutes: 0.8 * usualMinutes("wire", 5), device: 2 }];
    for (const value of paceOf(later, 0.8).mean) expect(value).toBeCloseTo(0, 9);
    const total = (device: number) => totalSpan(steps, { ...first(paceOf([])), device }).middle;
    expect(total(2) / total(1)).toBeCloseTo(0.8, 9);
  });

  it("is shared out over sittings that hold what fits, in the order of the steps", () => {
    const wish = first(paceOf([]));
    const sittings = sittingsOf(steps, 60, wish);
    expect(sittings.flat()).toEqual(steps);
    sittings.forEach((sitting, nth) => {
      const minutes = sitting.reduce((sum, step) => sum + stepSpan(step, wish).middle, 0);
      expect(minutes <= 60 || sitting.length === 1).toBe(true);
      const next = sittings[nth + 1]?.[0];
      if (next) expect(minutes + stepSpan(next, wish).middle).toBeGreaterThan(60);
    });
    expect(sittingsOf(steps, 1, wish).length).toBe(steps.length);
  });

  it("is told by sort of work, nothing left out and the longest first", () => {
    const sorts = hoursBySort(steps, first(paceOf([])));
    expect(sorts.map(({ sort }) => sort)).toEqual(["wire", "small-part", "close", "load"]);
    expect(sorts.every(({ minutes }, nth) => nth === 0 || minutes <= sorts[nth - 1].minutes)).toBe(true);
  });

  it("is told in words that a person would use", () => {
    expect(spanWords({ low: 7 * 60, middle: 8 * 60, high: 13.2 * 60 })).toBe("about 7 to 13 hours");
    expect(spanWords({ low: 100, middle: 120, high: 160 })).toBe("about 1.5 to 2.5 hours");
    expect(spanWords({ low: 12, middle: 20, high: 41 })).toBe("about 10 to 40 minutes");
    expect(spanWords({ low: 0.2, middle: 0.4, high: 0.9 })).toBe("about 1 to 5 minutes");
  });

  it("inverts what it must", () => {
    const matrix = [
      [4, 1, 0.5],
      [1, 3, 0.2],
      [0.5, 0.2, 2],
    ];
    const back = inverse(matrix);
    matrix.forEach((row, i) =>
      row.forEach((_, j) => {
        const sum = row.reduce((total, value, k) => total + value * back[k][j], 0);
        expect(sum).toBeCloseTo(i === j ? 1 : 0, 12);
      }),
    );
  });
});
