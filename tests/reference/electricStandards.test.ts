import { describe, expect, it } from "vitest";
import { eSeries } from "@/core/electrics/eSeries";
import { wireOhm } from "@/core/electrics/copper";
import { pullUpLimits } from "@/core/levels/pullUps";
import { limitsOf } from "@/core/power/sources";

describe("IEC 60063, preferred numbers", () => {
  // Source: the standard's table 1 for E24 and its E12, E6 and E3 subsets.
  it("has the values of E24, E12, E6 and E3", () => {
    expect(eSeries.E24).toEqual([
      1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2,
      9.1,
    ]);
    expect(eSeries.E12).toEqual([1.0, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2]);
    expect(eSeries.E6).toEqual([1.0, 1.5, 2.2, 3.3, 4.7, 6.8]);
    expect(eSeries.E3).toEqual([1.0, 2.2, 4.7]);
  });

  // Source: the standard's table 2; values chosen where rounding is near, and 9.20 where the rule would give 9.19.
  it("has known values of E48, E96 and E192", () => {
    expect([eSeries.E48[1], eSeries.E48[17], eSeries.E48.at(-1)]).toEqual([1.05, 2.26, 9.53]);
    expect([eSeries.E96[1], eSeries.E96[20], eSeries.E96[41], eSeries.E96.at(-1)]).toEqual([1.02, 1.62, 2.67, 9.76]);
    expect(eSeries.E192[185]).toBe(9.2);
    expect(eSeries.E192.at(-1)).toBe(9.88);
  });
});

describe("I²C-bus specification, pull-up resistor sizing", () => {
  // Source: the specification's section on pull-up resistor sizing: Rp(min) = (VDD − VOL) / IOL, Rp(max) = tr / (0.8473 Cb).
  // Its figures show about 1.5 kΩ at 5 V and 3 mA, and 1 kΩ at 3.3 V.
  it("has the least resistance of the minimum figure", () => {
    expect(pullUpLimits(5, 100, 100).leastOhm).toBeCloseTo(4600 / 3, 6);
    expect(pullUpLimits(3.3, 100, 400).leastOhm).toBeCloseTo(2900 / 3, 6);
    expect(pullUpLimits(3.3, 100, 1000).leastOhm).toBeCloseTo(145, 6);
  });

  // Worked limits of the maximum figure: 100 pF and 400 pF in Standard-mode and in Fast-mode.
  it.each([
    [100, 100, 11_800],
    [400, 100, 2950],
    [100, 400, 3540],
    [200, 400, 1770],
    [100, 1000, 1416],
  ] as const)("has the most resistance at %i pF and %i kHz", (pf, khz, ohm) => {
    expect(Math.abs(pullUpLimits(5, pf, khz).mostOhm - ohm) / ohm).toBeLessThan(0.005);
  });
});

describe("copper", () => {
  // Source: IEC 60228, table for class 1 and 2 conductors at 20 °C: 36.0 Ω/km for 0.5 mm², 12.1 for 1.5, 7.41 for 2.5.
  // Those are limits for conductors as they are made: the metal alone lies a few percent below.
  it.each([
    [0.5, 36],
    [1.5, 12.1],
    [2.5, 7.41],
  ])("of %d mm² stays within the standard's limit of %d ohm a kilometre, by less than 8 %%", (mm2, ohm) => {
    const own = wireOhm(1e6, mm2);
    expect(own).toBeLessThanOrEqual(ohm);
    expect(own).toBeGreaterThan(0.92 * ohm);
  });
});

describe("USB", () => {
  // Source: USB 2.0, 7.2.1 (unit load of 100 mA, five at the most), 7.2.2 (4.75 to 5.25 V), 7.2.3 with the change (2.5 mA).
  it("2.0 gives one unit load before configuration and five after, and 2.5 mA to a device that sleeps", () =>
    expect(limitsOf({ kind: "usb-2" })).toMatchObject({
      beforeMa: 100,
      afterMa: 500,
      asleepMa: 2.5,
      leastV: 4.75,
      mostV: 5.25,
    }));

  // Source: USB Type-C, 4.5.2.3 and 4.6.2.1: default USB power, 1.5 A and 3 A at 5 V.
  it("C advertises its default, 1.5 A or 3 A", () => {
    expect(limitsOf({ kind: "usb-c", advertisedMa: 1500 })).toMatchObject({ afterMa: 1500 });
    expect(limitsOf({ kind: "usb-c", advertisedMa: 3000 })).toMatchObject({ afterMa: 3000 });
    expect(limitsOf({ kind: "usb-c", advertisedMa: 500 })).toMatchObject({ beforeMa: 100, afterMa: 500 });
  });
});
