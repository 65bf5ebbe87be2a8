import { describe, expect, it } from "vitest";
import { type Battery, enduranceOf, meanOverDay, measuringOf, proposedDivider } from "./battery";

const pack = (more: Partial<Battery> = {}): Battery => ({
  kind: "battery",
  cell: "lithium-ion",
  series: 1,
  capacityMah: 1000,
  cutOffV: 3,
  ...more,
});

describe("a day's mean current", () => {
  const ma = { typical: 100, idle: 20, asleep: 1 };

  it("shares the hours out: 3 in use, 5 at rest, the rest asleep", () =>
    expect(meanOverDay(ma, { usedH: 3, restH: 5 })).toBeCloseTo((300 + 100 + 16) / 24, 9));
  it("has no more hours than a day", () => expect(meanOverDay(ma, { usedH: 24, restH: 24 })).toBe(100));
});

describe("how long a pack lasts", () => {
  it("is its charge over the current, less what it loses by itself", () => {
    const lasts = enduranceOf(pack(), 10, 3);
    expect(lasts.usableMah).toBe(1000);
    // 3 % a month are 30 mAh in 720 hours.
    expect(lasts.days).toBeCloseTo(1000 / (10 + 30 / 720) / 24, 9);
    expect(lasts.usedH).toBeCloseTo(3 * lasts.days, 9);
  });

  it("is less with a higher cut-off, and lies within its uncertainty", () => {
    const early = enduranceOf(pack({ cutOffV: 3.6 }), 10, 3);
    expect(early.usableMah).toBeLessThan(900);
    expect(early.leastDays).toBeLessThan(early.days);
    expect(early.mostDays).toBeGreaterThan(early.days);
  });
});

describe("the divider that measures a pack", () => {
  it.each([
    [1, 3.3],
    [2, 3.3],
    [2, 5],
    [4, 5],
  ])("of %i cells stays below a reference of %d V, and uses most of it", (series, referenceV) => {
    const battery = pack({ series });
    const measured = measuringOf(battery, proposedDivider(battery, referenceV)!, referenceV, 10);
    expect(measured.pinV).toBeLessThanOrEqual(0.97 * referenceV + 1e-9);
    expect(measured.pinV).toBeGreaterThan(0.4 * referenceV);
    expect(measured.topOhm + measured.bottomOhm).toBeGreaterThanOrEqual(200_000);
    expect(measured.sourceOhm).toBeLessThanOrEqual(100_000);
    expect(measured.drainMa).toBeLessThan(0.1);
  });

  it("counts down with the charge, never below nothing", () => {
    const battery = pack();
    const { table } = measuringOf(battery, proposedDivider(battery, 3.3)!, 3.3, 12);
    expect(table.map(({ percent }) => percent)).toEqual([100, 90, 80, 70, 60, 50, 40, 30, 20, 10, 0]);
    for (const [nth, { counts }] of table.entries()) if (nth > 0) expect(counts).toBeLessThan(table[nth - 1].counts);
  });
});
