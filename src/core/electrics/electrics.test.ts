import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dividerNear, dividerOf } from "./divider";
import { eSeries, seriesAbove, seriesBelow, seriesBetween, seriesNearest } from "./eSeries";
import { type Branch, solveNetwork } from "./network";
import { baseResistor } from "./transistor";

describe("values of a series", () => {
  it("go up to the next and down to the one before", () => {
    expect(seriesAbove("E12", 1550)).toBe(1800);
    expect(seriesBelow("E12", 1550)).toBe(1500);
    expect(seriesAbove("E12", 1500)).toBe(1500);
    expect(seriesAbove("E24", 9.15)).toBe(10);
    expect(seriesNearest("E6", 26)).toBe(22);
    expect(seriesNearest("E6", 28)).toBe(33);
  });

  it("stand around every wish, within one step of each other", () =>
    fc.assert(
      fc.property(
        fc.constantFrom("E6", "E12", "E24", "E96" as const),
        fc.double({ min: 0.1, max: 1e7, noNaN: true }),
        (name, wish) => {
          const [below, above] = [seriesBelow(name, wish), seriesAbove(name, wish)];
          expect(below).toBeLessThanOrEqual(wish * (1 + 1e-9));
          expect(above).toBeGreaterThanOrEqual(wish * (1 - 1e-9));
          expect(seriesBetween(name, below, above).length).toBeLessThanOrEqual(2);
        },
      ),
    ));

  it("are as many a decade as their name says", () => {
    for (const [name, values] of Object.entries(eSeries)) {
      expect(values).toHaveLength(Number(name.slice(1)));
      expect([...values].sort((a, b) => a - b)).toEqual(values);
    }
  });

  it("refuse what no part has", () => {
    for (const wish of [0, -1, NaN, Infinity]) expect(() => seriesAbove("E12", wish)).toThrow(RangeError);
  });
});

describe("a divider", () => {
  it("halves with two alike, which the next stage sees in parallel", () =>
    expect(dividerOf(10_000, 10_000)).toMatchObject({ ratio: 0.5, sourceOhm: 5000 }));

  it("comes near a ratio from below, drains no more and is no weaker than allowed", () =>
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), (ratio) => {
        const found = dividerNear(ratio, 20_000, 50_000, "E24")!;
        expect(found.ratio).toBeLessThanOrEqual(ratio + 1e-9);
        expect(found.ratio).toBeGreaterThan(ratio * 0.9);
        expect(found.topOhm + found.bottomOhm).toBeGreaterThanOrEqual(20_000);
        expect(found.sourceOhm).toBeLessThanOrEqual(50_000);
      }),
    ));

  it("is not there when both wishes cannot be kept", () => expect(dividerNear(0.5, 1e6, 1000, "E24")).toBeNull());
});

describe("a network of resistors", () => {
  const close = (value: number | undefined, wish: number) => expect(value).toBeCloseTo(wish, 9);

  it("divides a voltage", () => {
    const volts = solveNetwork(
      [
        { a: "top", b: "out", ohm: 1000 },
        { a: "out", b: "0", ohm: 3000 },
      ],
      new Map([
        ["top", 4],
        ["0", 0],
      ]),
      new Map(),
    );
    close(volts.get("out"), 3);
  });

  it("balances a bridge", () => {
    const arm = (a: string, b: string, ohm: number): Branch => ({ a, b, ohm });
    const bridge = [arm("p", "l", 100), arm("l", "n", 200), arm("p", "r", 50), arm("r", "n", 100), arm("l", "r", 7)];
    const volts = solveNetwork(
      bridge,
      new Map([
        ["p", 3],
        ["n", 0],
      ]),
      new Map(),
    );
    close(volts.get("l"), 2);
    close(volts.get("r"), 2);
  });

  it("lets a current raise a node by its way to ground", () => {
    const volts = solveNetwork([{ a: "x", b: "0", ohm: 50 }], new Map([["0", 0]]), new Map([["x", 0.1]]));
    close(volts.get("x"), 5);
  });

  it("gives no voltage to what hangs on nothing", () => {
    const volts = solveNetwork([{ a: "x", b: "y", ohm: 50 }], new Map([["0", 0]]), new Map());
    expect(volts.has("x")).toBe(false);
  });

  it("keeps Kirchhoff's law at every node of a random network", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 30 }),
        fc.array(fc.tuple(fc.nat(29), fc.nat(29), fc.double({ min: 0.01, max: 1e4, noNaN: true })), { maxLength: 60 }),
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 30, maxLength: 30 }),
        (count, more, currents) => {
          const node = (n: number) => `n${n % count}`;
          // A tree that joins all, and some more.
          const branches = [
            ...Array.from({ length: count - 1 }, (_, n): Branch => ({
              a: node(n + 1),
              b: node(Math.floor(n / 2)),
              ohm: 1 + n,
            })),
            ...more.map(([a, b, ohm]): Branch => ({ a: node(a), b: node(b), ohm })).filter(({ a, b }) => a !== b),
          ];
          const inflows = new Map(currents.slice(1, count).map((ampere, n) => [`n${n + 1}`, ampere]));
          const volts = solveNetwork(branches, new Map([["n0", 5]]), inflows);
          for (let n = 1; n < count; n++) {
            const out = branches.reduce((sum, { a, b, ohm }) => {
              const own = volts.get(`n${n}`)!;
              if (a === `n${n}`) return sum + (own - volts.get(b)!) / ohm;
              return b === `n${n}` ? sum + (own - volts.get(a)!) / ohm : sum;
            }, 0);
            expect(Math.abs(out - inflows.get(`n${n}`)!)).toBeLessThan(1e-6);
          }
        },
      ),
    ));
});

describe("the resistor before a transistor's base", () => {
  it("gives a tenth of what is switched: 20 mA from 5 V by 2.2 kΩ", () => {
    const { ohm, baseMa, gain } = baseResistor(5, 20, 20);
    expect(ohm).toBe(2200);
    expect(baseMa).toBeCloseTo(4.3 / 2.2, 9);
    expect(gain).toBeLessThan(11);
  });

  it("asks no more than half of a weak pin, and still saturates up to 40 mA", () => {
    const { baseMa, gain } = baseResistor(3.3, 40, 4);
    expect(baseMa).toBeLessThanOrEqual(2);
    expect(gain).toBeLessThanOrEqual(30);
  });
});
