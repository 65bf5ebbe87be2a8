import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import type { LightChain } from "../circuits/lightChain";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { usualSupply } from "../document/supplySettings";
import { chainOf, elementIds, rowOf } from "../../../tests/support/litRows";
import { changeControl } from "../edits/controls";
import { changeCircuit, wireAs } from "../edits/wiring";
import { derive } from "../derived/derive";
import { wiresOf } from "../wires/wires";
import { cells, cellV, leftAt } from "../electrics/cells";
import { branchOf } from "./lampBranches";
import { DARK_LIGHT_MA, LIGHT_LEAST_V, lightMa } from "./lightCurrent";
import { brokenLimits } from "./limits";
import { feedingPoints, highestBrightness, mostLitAtOnce, dimmedTo, litAtMost, withOutsideSupply } from "./remedies";
import { states } from "./consumers";
import { supplyAt } from "./solveSupply";
import { switchedParts } from "./switched";

const lightsOf = (design: Design) => design.circuits.find((c): c is LightChain => c.kind === "light-chain")!;
const set = (design: Design, change: Partial<LightChain>) => changeCircuit<LightChain>(design, "lights", change);

describe("a light's current", () => {
  it("is whole from 3.7 V on, a third for one colour, and its own logic when dark", () => {
    expect(lightMa(40, 5, { level: 1, colours: 3 })).toBe(40);
    expect(lightMa(40, 5, { level: 1, colours: 1 })).toBe(DARK_LIGHT_MA + 13);
    expect(lightMa(40, 5, { level: 0, colours: 3 })).toBe(DARK_LIGHT_MA);
    expect(lightMa(40, 3.3, { level: 1, colours: 3 })).toBeLessThan(30);
    expect(lightMa(40, 0, { level: 1, colours: 3 })).toBe(0);
  });
});

describe("the supply tree", () => {
  it("adds up by hand: 25 mA of controller, 10 lights of 40 mA, 1.5 m of cable", () => {
    const state = supplyAt(chainOf(10), "worst")!;
    expect(state.sourceMa).toBeCloseTo(425, 1);
    // There and back 3 m of 0.2 mm² copper: 3 / 58 / 0.2 Ω.
    expect(state.entryV).toBeCloseTo(4.75 - 0.425 * (3 / 58 / 0.2), 4);
  });

  it("loses voltage along the wires by Ohm's law, 10 lights in a row", () => {
    const lights = chainOf(10);
    const thin = { ...lights, wires: { ...lights.wires, supplyMm2: 0.1, endMm: 0, slackPercent: 0, stepMm: 1 } };
    const [rail] = supplyAt(thin, "worst")!.rails;
    const ohmPerMm = 1 / 58 / 1000 / 0.1;
    /** From the nearest light on, the wires carry 9, 8 … 1 lights of 40 mA; the lead to the controller carries all ten. */
    const loss = (netId: string, role: string) => {
      const wires = wiresOf(thin).filter(
        (wire) => derive(thin).netById.get(wire.netId)!.role === role && wire.netId === netId,
      );
      const lead = wires.find(({ to }) => to.id.startsWith("pin "))!;
      const start = Number(/c(\d+)\./.exec(lead.from.id)![1]);
      const sides = [start, 9 - start].map((n) => (n * (n + 1)) / 2);
      return 0.04 * ohmPerMm * (20 * Math.max(...sides) + lead.cutMm * 10);
    };
    expect(rail.volts - rail.leastV).toBeCloseTo(loss("V+", "supply") + loss("GND", "ground"), 3);
  });

  it("has the same current in every wire as the loads behind it take: each wire of a chain carries less than the one before", () => {
    const design = chainOf(6);
    const { wireMa } = supplyAt(design, "worst")!;
    const lead = wiresOf(design).find(({ netId, to }) => netId === "V+" && to.id.startsWith("pin "))!;
    expect(wireMa.get(lead.key)).toBeCloseTo(240, 1);
  });

  it("takes less asleep than idle, less idle than usual, and most at its most", () => {
    for (const design of [...demoDesigns, chainOf(30)]) {
      const [idle, typical, worst, asleep] = states.map((state) => supplyAt(design, state)!.sourceMa);
      expect(asleep).toBeLessThan(idle);
      expect(idle).toBeLessThanOrEqual(typical);
      expect(typical).toBeLessThanOrEqual(worst);
    }
  });

  it("knows nothing without a controller", () => expect(supplyAt(newDesign("a", "A"), "worst")).toBeNull());

  it("feeds 3.3 V logic through the regulator and lights past it", () => {
    const state = supplyAt(chainOf(5, "dual-core-3v3-26"), "worst")!;
    expect(state.rails.map(({ netId, ma }) => [netId, Math.round(ma)])).toEqual([["5V", 200]]);
    expect(state.series.find(({ id }) => id === "regulator")!.ma).toBeCloseTo(42, 0);
    const behind = supplyAt(set(chainOf(5, "dual-core-3v3-26"), { feed: "logic" }), "worst")!;
    expect(behind.series.find(({ id }) => id === "regulator")!.ma).toBeGreaterThan(100);
    expect(behind.rails.map(({ netId }) => netId)).toEqual(["V+"]);
  });

  it("puts a diode before the lights", () => {
    const plain = supplyAt(chainOf(3, "dual-core-3v3-26"), "worst")!;
    const lowered = supplyAt(set(chainOf(3, "dual-core-3v3-26"), { feed: "diode" }), "worst")!;
    const volts = (state: typeof plain) => state.parts.get("c0:light")!.volts;
    expect(volts(plain) - volts(lowered)).toBeCloseTo(0.85, 1);
    expect(lowered.sourceMa).toBeCloseTo(plain.sourceMa, -1);
  });

  it("takes fuse and diode into account, as parts where there is an outside supply", () => {
    const outside: Design = {
      ...chainOf(10),
      supply: {
        ...usualSupply,
        source: { kind: "outside", volts: 5, limitMa: 1000 },
        fuse: { holdMa: 750, ohm: 0.2 },
        diode: "schottky",
      },
    };
    const state = supplyAt(outside, "worst")!;
    expect(state.entryV).toBeCloseTo(4.75 - 0.35 - (state.sourceMa / 1000) * (3 / 58 / 0.2 + 0.2), 3);
    const { chips, shunts } = derive(outside);
    expect(chips.map(({ id }) => id)).toEqual(["supply.J1", "supply.F1"]);
    expect(shunts.map(({ value }) => value)).toContain("1N5819");
  });
});

describe("a regulator", () => {
  it("gives its own voltage while enough is left for it, and less below", () => {
    const on = (volts: number): Design => ({
      ...chainOf(2, "dual-core-3v3-26"),
      supply: { ...usualSupply, source: { kind: "outside", volts, limitMa: 2000 }, cable: { lengthM: 0, mm2: 0.2 } },
    });
    expect(supplyAt(on(5), "typical")!.logicV).toBe(3.3);
    expect(supplyAt(on(3.5), "typical")!.logicV).toBeCloseTo(3.1, 6);
    expect(brokenLimits(on(3.3)).map(({ sort }) => sort)).toContain("logic voltage");
  });
});

describe("limits and cures", () => {
  it("before configuration count the running controller and dark lights, and nothing else", () => {
    const dim = set(chainOf(120), { brightnessPercent: 1 });
    expect(brokenLimits(dim).find(({ sort }) => sort === "before configuration")!.value).toBeCloseTo(25 + 120, 6);
  });

  it.each([20, 27, 33, 41, 55, 64, 78, 90, 105])(
    "of %i lights the brightness offered is the highest that holds",
    (count) => {
      for (const profileId of ["small-5v-18", "dual-core-3v3-26"]) {
        const design = chainOf(count, profileId);
        const percent = highestBrightness(design);
        const dims = (value: number) =>
          brokenLimits({ ...design, circuits: dimmedTo(design.circuits, value) }).some(
            ({ sort }) => sort !== "before configuration",
          );
        if (percent === null) expect(dims(1)).toBe(true);
        else expect([dims(percent), dims(percent + 1)]).toEqual([false, true]);
      }
    },
  );

  const many = chainOf(60);

  it("60 lights on a 500 mA port hold at the highest brightness that is offered, and not at one percent more", () => {
    expect(brokenLimits(many).map(({ sort }) => sort)).toContain("source");
    const percent = highestBrightness(many)!;
    const at = (value: number) => brokenLimits({ ...many, circuits: dimmedTo(many.circuits, value) });
    expect(at(percent)).toEqual([]);
    expect(at(percent + 1)).not.toEqual([]);
    // By hand: (500 − 25 − 60 · 1) mA over 60 lights of 39 mA above their own logic.
    expect(percent).toBe(Math.floor((100 * 415) / (60 * 39)));
  });

  it("so do as many lights at once as are offered", () => {
    const lit = mostLitAtOnce(many)!;
    expect(brokenLimits({ ...many, circuits: litAtMost(many.circuits, lit) })).toEqual([]);
    expect(brokenLimits({ ...many, circuits: litAtMost(many.circuits, lit + 1) })).not.toEqual([]);
  });

  it("an outside supply takes the lights off the port, and stands in the netlist with its jumper", () => {
    const fed = withOutsideSupply(many)!;
    expect(brokenLimits(fed).filter(({ sort }) => sort !== "before configuration")).toEqual([]);
    const state = supplyAt(fed, "worst")!;
    expect(state.sourceMa).toBeLessThan(60);
    expect(state.outsideMa).toBeGreaterThan(2000);
    expect(derive(fed).chips.map(({ id }) => id)).toEqual(["supply.J2", "supply.JP1"]);
    const back: Design = { ...fed, supply: { ...fed.supply, outside: { limitMa: 3000, isChosen: false } } };
    expect(supplyAt(back, "worst")!.sourceMa).toBeGreaterThan(1500);
  });

  it("nothing helps where dark lights alone are too much", () => expect(highestBrightness(chainOf(520))).toBeNull());
});

describe("feeding points of a chain", () => {
  const long = (count: number, mm2: number): Design => {
    const chain = chainOf(count, "dual-core-3v3-26", 60);
    return {
      ...chain,
      wires: { ...chain.wires, supplyMm2: mm2 },
      supply: { ...usualSupply, source: { kind: "usb-c", advertisedMa: 3000 }, cable: { lengthM: 0, mm2: 0.2 } },
    };
  };

  it("are none where the voltage holds", () =>
    expect(feedingPoints(long(4, 0.5), lightsOf(long(4, 0.5)), LIGHT_LEAST_V)!.ids).toEqual([]));

  it("are the fewest: one less is not enough, whichever lights are taken", () => {
    const design = long(25, 0.03);
    const points = feedingPoints(design, lightsOf(design), LIGHT_LEAST_V)!;
    expect(points.ids.length).toBeGreaterThan(0);
    expect(points.isFewest).toBe(true);
    const lowest = (feedAt: string[]) => {
      const state = supplyAt(set(design, { feedAt }), "worst")!;
      return Math.min(
        ...state.consumers.filter(({ sort }) => sort === "light").map(({ id }) => state.parts.get(id)!.volts),
      );
    };
    expect(lowest(points.ids)).toBeCloseTo(points.leastV, 2);
    expect(lowest(points.ids)).toBeGreaterThanOrEqual(LIGHT_LEAST_V);
    const fewer = points.ids.length === 1 ? [[]] : lightsOf(design).members.map((id) => [id]);
    for (const feedAt of fewer) expect(lowest(feedAt)).toBeLessThan(LIGHT_LEAST_V);
  });

  it("stand in the wire list as wires of their own", () => {
    const design = set(long(25, 0.03), { feedAt: ["c24:light"] });
    expect(wiresOf(design).length).toBe(wiresOf(long(25, 0.03)).length + 2);
  });
});

describe("a lamp's branch", () => {
  it("has the next E12 value: 2 mA of red from 5 V is 1.8 kΩ", () =>
    expect(branchOf(5, "red", 2)).toMatchObject({ ohm: 1800, ma: 3.1 / 1.8, forwardV: 1.9 }));
  it("has none where nothing is left", () => expect(branchOf(3.3, "blue", 2)).toMatchObject({ ohm: 100 }));
  it("is dark below its forward voltage", () => expect(branchOf(2, "white", 2).ma).toBe(0));

  it("takes its current in the supply tree, from what its register hangs on", () => {
    const lamps = rowOf("lamp", 4, "small-5v-18");
    const wired = wireAs(changeControl(lamps, "c0", { currentMa: 8 }), "output-registers", elementIds(lamps));
    const state = supplyAt(wired, "worst")!;
    expect(state.parts.get("c0:lamp")!.ma).toBeCloseTo(3100 / 390, 2);
  });
});

describe("a motor behind a transistor", () => {
  const told = (currentMa: number) => {
    const motor = changeControl(rowOf("motor", 1, "small-5v-18"), "c0", { currentMa });
    return switchedParts(wireAs(motor, "direct", elementIds(motor)));
  };

  it("has a base resistor for a tenth of its current, or a gate that takes none", () => {
    expect(told(30)).toMatchObject([{ resistor: "1500 Ω", flyback: "1N4148" }]);
    expect(told(30)[0].pinMa).toBeCloseTo(4.3 / 1.5, 6);
    expect(told(200)).toMatchObject([{ resistor: "100 Ω", pinMa: 0, flyback: "1N5819" }]);
  });

  it("takes its current from the rail, not from the pin", () => {
    const motor = changeControl(rowOf("motor", 1, "small-5v-18"), "c0", { currentMa: 200 });
    const state = supplyAt(wireAs(motor, "direct", elementIds(motor)), "worst")!;
    expect(state.rails.map(({ ma }) => Math.round(ma))).toEqual([225]);
  });
});

describe("cells", () => {
  it("tell what is left by their voltage, the curve read backwards", () => {
    for (const cell of Object.values(cells))
      for (const left of [0, 0.05, 0.33, 0.5, 0.9, 1]) expect(leftAt(cell, cellV(cell, left))).toBeCloseTo(left, 6);
  });
});
