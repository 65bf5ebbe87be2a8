import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { derive } from "../derived/derive";
import { finishedPad } from "../../../tests/support/designs";
import type { Bond } from "./assembled";
import { FaultyWorld } from "./faultyWorld";
import { informationBits, priorBelief } from "./infer";
import { readMeter } from "./meterReading";
import { randomFrom } from "../optimisation/random";
import { modelOf } from "./model";
import { outcomeIn, outcomeOf } from "./predict";
import { bestChoice } from "./promise";
import { effortOf, usualEfforts } from "./trial";

const demo = (id: string) => shelfDesigns.find((one) => one.id === id)!;
const bondsOf = (id: string): Bond[] => [...modelOf(demo(id)).base.assembled.bonds.values()];

describe("a chain of registers", () => {
  const design = demo("glasshouse");
  const { base } = modelOf(design);
  const { chips, elements } = derive(design);
  const lamps = [...elements.values()].filter(({ kind }) => kind === "lamp").map(({ id }) => id);
  const registers = chips.filter(({ part }) => part.includes("register"));

  it("cut between two of them, all behind the cut are dark, and those before it are lit", () => {
    expect(registers.length).toBeGreaterThan(2);
    const dark = registers.slice(1).map((chip) => {
      const before = registers[registers.indexOf(chip) - 1];
      const link = [...base.assembled.nets.values()].find(
        ({ places, net }) =>
          net.role === "chain" &&
          [before, chip].every(({ id }) => [...places.values()].some(({ ownerId }) => ownerId === id)),
      )!;
      const wire = link.trunk.find(({ sort }) => sort === "wire")!;
      const came = outcomeOf(base, [{ kind: "open", bond: wire.id }], { does: "show", elementIds: lamps });
      return came.split("+").filter(Boolean).length;
    });
    // Eight lamps hang on each.
    expect(dark).toEqual(registers.slice(1).map((_, nth) => 8 * (registers.length - 1 - nth)));
  });

  it("without its ground a register is dark with all behind it; a free input that is open shows nothing", () => {
    const [first] = registers;
    const ground = bondsOf("glasshouse").find(({ id, sort }) => sort === "joint" && id.includes(`|${first.id}.GND|`))!;
    const came = outcomeOf(base, [{ kind: "open", bond: ground.id }], { does: "show", elementIds: lamps });
    expect(came.split("+").length).toBe(lamps.length);
  });
});

describe("bending", () => {
  const { base } = modelOf(demo("loom-64"));
  const joint = [...base.assembled.bonds.values()].find(({ id }) => id.includes("l24:press") || id.includes("|l24"))!;
  const { aAt, boardId, controlId } = joint;
  const held = [`${controlId}:press`];
  const told = (xMm: number, where = boardId) =>
    outcomeOf(base, [{ kind: "cold", bond: joint.id }], {
      does: "bend",
      held,
      bend: { at: { xMm: aAt.xMm + xMm, yMm: aAt.yMm }, boardId: where },
    });

  it("opens a cold joint within 35 mm, on its own board, and no other", () => {
    expect(told(30)).toBe(held[0]);
    expect(told(-34.9)).toBe(held[0]);
    expect(told(35.1)).toBe("");
    expect(told(0, "another")).toBe("");
    const open = outcomeOf(base, [{ kind: "open", bond: joint.id }], {
      does: "bend",
      held,
      bend: { at: aAt, boardId },
    });
    // What never told anything cannot come and go.
    expect(open).toBe("");
  });
});

describe("a meter", () => {
  const { base } = modelOf(finishedPad(3, 2));
  const sound = new FaultyWorld(base, []);
  const diode = [...base.assembled.bonds.values()].find(({ sort }) => sort === "diode")!;
  const cathode = diode.anode === diode.a ? diode.b : diode.a;

  it("passes no diode in its ohm range, and one way only in its diode range", () => {
    const read = (red: string, black: string, range: "ohm" | "diode") =>
      readMeter(sound, { red, black, range, held: [] });
    expect(read(diode.anode!, cathode, "ohm")).toEqual({ shows: "open" });
    expect(read(cathode, diode.anode!, "ohm")).toEqual({ shows: "open" });
    expect(read(diode.anode!, cathode, "diode")).toEqual({ shows: "volt", volt: 0.6 });
    expect(read(cathode, diode.anode!, "diode")).toEqual({ shows: "open" });
    const bridged = new FaultyWorld(base, [{ kind: "bridged", bond: diode.id }]);
    expect(readMeter(bridged, { red: cathode, black: diode.anode!, range: "ohm", held: [] })).toMatchObject({
      shows: "ohm",
    });
    expect(outcomeIn(bridged, { does: "meter", red: cathode, black: diode.anode!, range: "ohm", held: [] })).toBe(
      "joined",
    );
  });
});

it("the best test has the most information for its effort, of all there are", () => {
  const model = modelOf(demo("tern"));
  const weights = priorBelief(model);
  const all = model.suspects.map((_, nth) => nth);
  for (const efforts of [usualEfforts, { press: 1, sweep: 9, bend: 1, meter: 1 }]) {
    const best = bestChoice(model, all, weights, efforts)!;
    const worth = model.trials.map((trial, nth) => informationBits(model, nth, weights, 1) / effortOf(trial, efforts));
    expect(best.bits / best.effort).toBeCloseTo(Math.max(...worth), 9);
  }
  const [usual, dear] = [usualEfforts, { press: 1, sweep: 9, bend: 1, meter: 1 }].map(
    (efforts) => bestChoice(model, all, weights, efforts)!.trial,
  );
  expect(usual).not.toBe(dear);
});

describe("the table of what each fault makes of each test", () => {
  // What a ladder tells is solved anew for each: fewer of these.
  for (const [id, rounds] of [
    ["kestrel", 1500],
    ["tern", 1500],
    ["dunlin", 1500],
    ["loom-64-in-two", 1500],
    ["glasshouse", 1000],
    ["reedling", 250],
  ] as const)
    it(`${id}: is what the world says, for faults and tests by chance`, () => {
      const model = modelOf(demo(id));
      const random = randomFrom(id.length);
      const below = (count: number) => Math.floor(random() * count);
      for (let round = 0; round < rounds; round++) {
        const suspect = below(model.suspects.length);
        const own = model.suspects[suspect];
        // Half of them where nets are shared: there a fault can be seen.
        const near = model.trials.flatMap(({ nets }, nth) => (nets.some((net) => own.nets.includes(net)) ? [nth] : []));
        const trial = round % 2 && near.length > 0 ? near[below(near.length)] : below(model.trials.length);
        const { base, others } = model.rows[trial];
        const says = `${own.words}: ${model.trials[trial].title}`;
        expect(others.get(suspect) ?? base, says).toBe(outcomeOf(model.base, [own.fault], model.trials[trial].deed));
      }
    });
});
