import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "../catalogue/controllers";
import { type ControllerProfile, usablePins } from "../catalogue/controllers/controllerProfile";
import { analogNeed, busNeed, inputNeed, outputNeed, pwmNeed } from "../circuits/net";
import { usualMaking } from "../document/makingSettings";
import { ANY_NUMBER, roomFor, smallestChange } from "./breaks";
import { languageFor, unmetBy } from "./mustHaves";
import { optionFor, statesPerSecond } from "./option";
import { joinLots, pinRoomOf } from "./pinRoom";
import { planBrief } from "./plan";
import { jointsOf, priceOf, sumParts } from "../catalogue/prices";
import { switchStrategies } from "./strategies";
import { lampStrategies } from "./strategies/lampStrategies";
import { voltageStrategies } from "./strategies/voltageStrategies";
import type { StrategyContext } from "./strategies/strategy";
import { type ChosenPlan, type Wish, emptyBrief, noWish, wishSchema } from "../document/wish";
import { leastAreaCm2, wishTroubles } from "./wishFit";

const setting = { brief: emptyBrief, debounceMs: 5, settleUs: 5 };
const profile = (id: string): ControllerProfile => controllerCatalogue.find((each) => each.id === id)!;
const small = profile("small-5v-18");
const large = profile("large-5v-70");
const direct: ChosenPlan = {
  profileId: small.id,
  switchStrategy: "direct",
  lampStrategy: "direct",
  voltageStrategy: "direct",
  turnStrategy: "direct",
};
const context = (more: Partial<StrategyContext> = {}): StrategyContext => ({
  wish: noWish,
  profile: small,
  matrixShape: null,
  settleUs: 5,
  ...more,
});
const wishes = fc.record({
  keys: fc.integer({ min: 0, max: 60 }),
  encoders: fc.integer({ min: 0, max: 6 }),
  pots: fc.integer({ min: 0, max: 6 }),
  lamps: fc.integer({ min: 0, max: 12 }),
});

describe.each(switchStrategies)("the way $title", (way) => {
  it("needs no fewer pins and parts for more inputs", () => {
    let last = { pins: 0, parts: 0 };
    for (let inputs = 20; inputs <= 100; inputs += 8) {
      const plan = way.cost(
        { switches: inputs, turns: 0 },
        context({ wish: { ...noWish, chords: true }, matrixShape: { rows: 10, columns: 10 } }),
      );
      if (!plan) continue;
      const pins = plan.pins.reduce((sum, { count }) => sum + count, 0);
      const parts = Object.values(plan.parts).reduce((sum, count) => sum + count, 0);
      expect(pins).toBeGreaterThanOrEqual(last.pins);
      expect(parts).toBeGreaterThanOrEqual(last.parts);
      last = { pins, parts };
    }
  });

  it("says its shape in words and takes time to read", () => {
    const plan = way.cost({ switches: 40, turns: 0 }, context({ matrixShape: { rows: 5, columns: 8 } }))!;
    expect(plan.shape).not.toBe("");
    expect(plan.readUs).toBeGreaterThan(0);
  });
});

describe("single ways", () => {
  const pinsOf = (id: string, inputs: number, more: Partial<StrategyContext> = {}) =>
    switchStrategies
      .find((way) => way.id === id)!
      .cost({ switches: inputs, turns: 0 }, context(more))
      ?.pins.reduce((sum, { count }) => sum + count, 0);

  it("count the pins of the trade", () => {
    expect(pinsOf("matrix", 64)).toBe(16);
    expect(pinsOf("two-way-matrix", 64)).toBe(12);
    expect(pinsOf("input-registers", 200)).toBe(3);
    expect(pinsOf("bus-expanders", 128)).toBe(2);
    expect(pinsOf("bus-expanders", 129)).toBeUndefined();
    expect(pinsOf("multiplexers", 64)).toBe(8);
    // One tap for all banks, and a pin to power each.
    expect(pinsOf("ladder", 12)).toBe(1);
    expect(pinsOf("ladder", 24)).toBe(3);
    expect(pinsOf("matrix-given", 13, { matrixShape: { rows: 3, columns: 4 } })).toBeUndefined();
  });

  it("need diodes only when many keys at once must be told", () => {
    const matrix = switchStrategies.find(({ id }) => id === "matrix")!;
    expect(matrix.cost({ switches: 30, turns: 0 }, context({ wish: { ...noWish, chords: true } }))!.parts).toEqual({
      diode: 30,
    });
    const without = matrix.cost({ switches: 30, turns: 0 }, context({ wish: { ...noWish, chords: false } }))!;
    expect(without.parts).toEqual({});
    expect(without.certainty[0].words).toContain("ghosts");
  });

  it("light any number of lamps from four pins, and read sixteen voltages through five", () => {
    expect(lampStrategies[1].cost(40)!.pins.reduce((sum, { count }) => sum + count, 0)).toBe(4);
    expect(lampStrategies[1].cost(2)).toBeNull();
    expect(voltageStrategies[1].cost(16, 5)!.pins.reduce((sum, { count }) => sum + count, 0)).toBe(5);
  });
});

describe("pins for needs", () => {
  it("are matched, not only counted: two analog needs do not fit one analog pin, whatever is free besides", () => {
    const poor = { ...small, pins: small.pins.map((pin) => ({ ...pin, analogChannel: pin.name === "P4" ? 6 : null })) };
    const lots = [{ what: "voltages", need: analogNeed, count: 2 }];
    expect(pinRoomOf(lots, poor)).toMatchObject({ fits: false, short: [{ what: "voltages", count: 1 }] });
  });

  it("give way to each other when another order helps: plain needs leave scarce pins to those that need them", () => {
    const analogs = usablePins(small).filter((pin) => pin.analogChannel !== null).length;
    const lots = [
      { what: "switches", need: inputNeed, count: 18 - analogs },
      { what: "voltages", need: analogNeed, count: analogs },
    ];
    expect(pinRoomOf(lots, small).fits).toBe(true);
    expect(pinRoomOf([{ ...lots[0], count: lots[0].count + 1 }, lots[1]], small).fits).toBe(false);
  });

  it("are shared where wires are", () => {
    const bus = { what: "bus data", need: busNeed("i2c", "SDA"), count: 1, shared: "SDA" };
    expect(joinLots([bus, bus, { what: "lamps", need: outputNeed, count: 0 }])).toEqual([bus]);
  });

  it("never serve more needs than there are pins", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 12 }),
        fc.integer({ min: 0, max: 8 }),
        (plain, analog, pwm) => {
          const lots = [
            { what: "a", need: inputNeed, count: plain },
            { what: "b", need: analogNeed, count: analog },
            { what: "c", need: pwmNeed, count: pwm },
          ];
          const { fits, needed, short } = pinRoomOf(lots, small);
          const missing = short.reduce((sum, { count }) => sum + count, 0);
          expect(needed).toBe(plain + analog + pwm);
          expect(fits).toBe(missing === 0);
          expect(needed - missing).toBeLessThanOrEqual(18);
        },
      ),
    ));

  it("give interrupts to as many encoder lines as the board has left", () => {
    const lots = (lines: number) => [{ what: "lines", need: { ...inputNeed, interrupt: true }, count: lines }];
    const able = usablePins(small).filter((pin) => pin.interrupt).length;
    expect(pinRoomOf(lots(4), small).interrupts).toEqual({ wanted: 4, met: 4 });
    expect(pinRoomOf(lots(able + 2), small).interrupts).toEqual({ wanted: able + 2, met: able });
  });
});

describe("an option", () => {
  it("is none where a way makes no sense", () => {
    const of = (wish: Partial<Wish>, plan: Partial<ChosenPlan>) =>
      optionFor({ ...noWish, ...wish }, { ...direct, ...plan }, small, setting);
    expect(of({ keys: 9 }, { turnStrategy: "with-switches" })).toBeNull();
    expect(of({ keys: 9, encoders: 1 }, { turnStrategy: "with-switches" })).toBeNull();
    expect(of({ keys: 2 }, { switchStrategy: "matrix" })).toBeNull();
    expect(of({ keys: 9 }, { switchStrategy: "no such way" })).toBeNull();
    expect(of({}, {})).toMatchObject({ fits: true, partCount: 0 });
  });

  it("needs a level shifter for lights on 3.3 V logic, and warns of their current", () => {
    const lights = { ...noWish, lights: 68 };
    const at3 = optionFor(lights, { ...direct, profileId: "dual-core-3v3-26" }, profile("dual-core-3v3-26"), setting)!;
    expect(at3.parts).toMatchObject({ "level-shifter": 1 });
    expect(at3.certainty.map(({ words }) => words).join()).toContain("2.7 A at full white");
    expect(optionFor(lights, direct, small, setting)!.parts).toEqual({ resistor: 1 });
  });

  it("needs a radio module only where the controller has none", () => {
    const radio = { ...noWish, keys: 4, connection: "radio" as const };
    expect(optionFor(radio, direct, small, setting)!.room.needed).toBe(4 + 3 + 2 + 1);
    expect(optionFor(radio, direct, profile("wireless-3v3-20"), setting)!.room.needed).toBe(4);
    expect(unmetBy(radio, small)).toEqual(["has no radio of its own: count a radio module"]);
  });

  it("gives three displays of one address a bus multiplexer", () => {
    const displays = (count: number) => optionFor({ ...noWish, displays: count }, direct, small, setting)!.parts;
    expect(displays(2)["bus-multiplexer"]).toBeUndefined();
    expect(displays(3)["bus-multiplexer"]).toBe(1);
  });

  it("makes states a second from steps, four states and turns", () => expect(statesPerSecond(4)).toBe(384));

  it("reckons in the language that serves", () => {
    const thumb = profile("thumb-3v3-11");
    expect(languageFor(noWish, thumb)).toBe("compiled");
    expect(languageFor({ ...noWish, firmware: "interpreted" }, thumb)).toBe("interpreted");
    expect(unmetBy({ ...noWish, firmware: "interpreted" }, small)).toEqual(["runs no interpreted firmware"]);
    expect(unmetBy({ ...noWish, making: "hand-wired" }, profile("chip-3v3-48"))).toEqual([
      "is a bare chip, which cannot be hand-wired",
    ]);
  });
});

describe("planning", () => {
  it("keeps its promises for any wish: room counts are exact at their edge", () =>
    fc.assert(
      fc.property(wishes, (counts) => {
        const wish = { ...noWish, ...counts };
        const [best] = planBrief(wish, [small, profile("dual-core-3v3-26")], setting);
        if (!best.fits) return;
        const room = roomFor(wish, best.plan, best.profile, setting);
        const fits = (more: Partial<Wish>) =>
          optionFor({ ...wish, ...more }, best.plan, best.profile, setting)?.fits ?? false;
        if (room.keys > 0) expect(fits({ keys: wish.keys + room.keys })).toBe(true);
        // Register chains take any number; the search ends there.
        if (room.keys < ANY_NUMBER) expect(fits({ keys: wish.keys + room.keys + 1 })).toBe(false);
        if (room.pots < ANY_NUMBER) expect(fits({ pots: wish.pots + room.pots + 1 })).toBe(false);
      }),
      { numRuns: 15 },
    ));

  it("finds a change that is enough and not one too many", () => {
    const wish = { ...noWish, keys: 25, encoderPush: false };
    const change = smallestChange(wish, direct, small, setting)!;
    expect(change).toMatchObject({ words: "7 keys fewer", wish: { keys: 18 } });
    expect(smallestChange({ ...noWish, keys: 4 }, direct, small, setting)).toBeNull();
  });

  it("takes an empty wish", () => expect(planBrief(noWish, [small], setting)[0].room.needed).toBe(0));

  it("sums parts, prices and joints", () => {
    expect(sumParts([{ diode: 3 }, { diode: 2, resistor: 1 }, {}])).toEqual({ diode: 5, resistor: 1 });
    expect(jointsOf({ diode: 5, multiplexer: 1 })).toBe(34);
    expect(priceOf("diode", { diode: 1 })).toBe(1);
    expect(priceOf("unknown", {}, 7)).toBe(7);
  });
});

describe("what a wish runs into by itself", () => {
  const pitch = { xMm: 19.05, yMm: 19.05 };
  it("is the size: 27 keys with gaps are over 100 cm², 20 are not", () => {
    expect(leastAreaCm2({ ...noWish, keys: 27 }, pitch)).toBeGreaterThan(100);
    const wish = { ...noWish, keys: 20, fits100: true };
    expect(wishTroubles(wish, pitch, usualMaking)).toEqual([]);
    expect(wishTroubles({ ...wish, keys: 40 }, pitch, usualMaking)[0]).toMatch(
      /about \d+ cm² with gaps; 100 × 100 mm has 100/,
    );
  });
  it("is a bed too small for one piece, and sockets without a board", () => {
    const troubles = wishTroubles(
      { ...noWish, keys: 120, onePiecePrint: true, hotSwap: true, making: "hand-wired" },
      pitch,
      usualMaking,
    );
    expect(troubles).toHaveLength(2);
  });
  it("is refused when it is no wish", () => {
    expect(wishSchema.safeParse({ ...noWish, keys: 1.5 }).success).toBe(false);
    expect(wishSchema.safeParse({ ...noWish, knobs: 1 }).success).toBe(false);
  });
});

describe("a fast knob", () => {
  const words = (turnsPerSecond: number, profile = large, encoders = 1) =>
    optionFor({ ...noWish, encoders, turnsPerSecond }, direct, profile, setting)!.certainty.map((one) => one.words);
  // A reading is over in less, but the firmware looks once a millisecond: 1000 readings against 24 × 4 × 11 = 1056 states.
  it("is told when it makes more states than the firmware's millisecond can see", () => {
    expect(words(10)).toEqual([]);
    expect(words(11)).toEqual([
      "knobs are read 1000 times a second but make 1056 states: sure up to 10.4 turns a second",
    ]);
  });

  it("is told by its edges on the 8-bit USB class, as long as there are pads that interrupt for all", () => {
    const pads = usablePins(small).filter(({ interrupt }) => interrupt).length;
    expect(words(20, small, Math.floor(pads / 2))).toEqual([]);
    expect(words(20, small, Math.floor(pads / 2) + 1)).toHaveLength(1);
  });
});
