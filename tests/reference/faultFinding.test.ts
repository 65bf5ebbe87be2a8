import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { boundsOf } from "@/core/bringup/bounds";
import { FaultyWorld } from "@/core/bringup/faultyWorld";
import {
  beliefAfter,
  consistentWith,
  groupsOf,
  informationBits,
  priorBelief,
  splitBy,
  weightsAmong,
} from "@/core/bringup/infer";
import { readMeter } from "@/core/bringup/meterReading";
import { type Model, modelOf } from "@/core/bringup/model";
import { toldBy } from "@/core/bringup/predict";
import { leastEffort } from "@/core/bringup/smallest";
import { bestChoice } from "@/core/bringup/promise";
import { type Line, lineOfTests, meanEffort } from "@/core/bringup/strategy";
import { type Trial, effortOf, usualEfforts } from "@/core/bringup/trial";
import { diodeDirections } from "@/core/circuits/matrix";
import type { Design } from "@/core/document/schema";
import { randomFrom } from "@/core/optimisation/random";
import { smallMatrix } from "../support/designs";
import { faultyPieces, scanned, switchPiece } from "../support/ownWorld";
import { DIODE_MODEL, operatingPoint } from "./ngspice";

const demo = (id: string) => shelfDesigns.find((one) => one.id === id)!;

/** What a fault does by metal alone; the rest is time, bending or light. */
const ELECTRIC = new Set(["open", "reversed", "bridged", "short", "swapped", "misplaced", "stuck"]);

describe("what a faulty matrix tells, against a world put together apart from it", () => {
  for (const diodes of diodeDirections)
    for (const [columns, rows] of [
      [2, 2],
      [3, 2],
    ])
      it(`every single fault and every set of keys held on ${columns} × ${rows}, diodes ${diodes}`, () => {
        const design = smallMatrix(columns, rows, diodes);
        const model = modelOf(design);
        const keys = [...design.controls.map(({ id }) => `${id}:press`)];
        expect(model.base.scan.switches.toSorted()).toEqual(keys.toSorted());
        const sets = Array.from({ length: 2 ** keys.length }, (_, bits) =>
          keys.filter((_key, nth) => (bits >> nth) & 1),
        );
        let compared = 0;
        for (const { fault, words } of model.suspects) {
          if (!ELECTRIC.has(fault.kind)) continue;
          const world = new FaultyWorld(model.base, [fault]);
          const atRest = scanned(design, fault, []);
          expect([...world.seenAtRest()].toSorted(), words).toEqual([...atRest].toSorted());
          for (const held of sets) {
            const fresh = [...scanned(design, fault, held)].filter((id) => !atRest.has(id));
            expect(toldBy(world, held), `${words}, held ${held.join(" ")}`).toBe(fresh.toSorted().join("+"));
            compared += 1;
          }
        }
        expect(compared).toBeGreaterThan(sets.length * 30);
      });
});

/** What ngspice says of a meter: a milliampere in its diode range, 0.2 V behind 1 kΩ in its ohm range. */
function spiceReading(design: Design, fault: Model["suspects"][number]["fault"], trial: Trial) {
  const { deed } = trial;
  if (deed.does !== "meter") throw new Error("no meter");
  const pieces = [...faultyPieces(design, fault).pieces, ...deed.held.map((id) => switchPiece(design, id))];
  const number = new Map<string, number>([[deed.black, 0]]);
  const node = (name: string) => number.get(name) ?? number.set(name, number.size).get(name)!;
  const lines = pieces.map(({ a, b, oneWay, ohm }, nth) =>
    oneWay ? `d${nth} ${node(a)} ${node(b)} d1n4148` : `r${nth} ${node(a)} ${node(b)} ${Math.max(ohm, 1e-6)}`,
  );
  const red = node(deed.red);
  // What hangs on nothing has no voltage: a leak far above what a meter tells.
  for (const nth of [...number.values()].filter((one) => one !== 0)) lines.push(`rl${nth} ${nth} 0 1e9`);
  const source =
    deed.range === "diode" ? [`imeter 0 ${red} 1m`, `rin ${red} 0 1e7`] : [`vmeter src 0 0.2`, `rin src ${red} 1k`];
  const volt = operatingPoint([...lines, ...source, DIODE_MODEL], [String(red)]).get(String(red))!;
  if (deed.range === "diode") return { volt, ohm: NaN };
  return { volt, ohm: (1000 * volt) / (0.2 - volt) };
}

it("twelve faults: what a meter reads, against ngspice", () => {
  const design = smallMatrix(3, 2, "column-to-row");
  const model = modelOf(design);
  const random = randomFrom(12);
  const kinds = [
    "open",
    "open",
    "open",
    "open",
    "reversed",
    "reversed",
    "bridged",
    "bridged",
    "short",
    "short",
    "swapped",
    "stuck",
  ];
  for (const kind of kinds) {
    const all = model.suspects.flatMap(({ fault }, nth) => (fault.kind === kind ? [nth] : []));
    const suspect = all[Math.floor(random() * all.length)];
    const { fault, words } = model.suspects[suspect];
    const telling = model.trials.filter(
      ({ deed }, nth) => deed.does === "meter" && model.rows[nth].others.has(suspect),
    );
    if (!(fault.kind === "open" && fault.bond.endsWith("|pin"))) expect(telling.length, words).toBeGreaterThan(0);
    const plain = model.trials.filter(({ deed }) => deed.does === "meter").filter((_, nth) => nth % 17 === 0);
    for (const trial of [...telling.slice(0, 3), ...plain.slice(0, 3)]) {
      const { deed } = trial;
      if (deed.does !== "meter") continue;
      const reading = readMeter(new FaultyWorld(model.base, [fault]), deed);
      const spice = spiceReading(design, fault, trial);
      const says = `${words}: ${trial.title}`;
      if (reading.shows === "open")
        expect(deed.range === "diode" ? spice.volt > 2.8 : spice.ohm > 1e5, says).toBe(true);
      else if (reading.shows === "volt") expect(Math.abs(spice.volt - reading.volt), says).toBeLessThan(0.08);
      else expect(Math.abs(spice.ohm - reading.ohm), says).toBeLessThan(0.01 + 0.05 * reading.ohm);
    }
  }
});

it("information gain is what is known before less what is known after, worked out from the joint distribution", () => {
  const model = modelOf(demo("tern"));
  const random = randomFrom(3);
  for (let round = 0; round < 60; round++) {
    const some = model.suspects.flatMap((_, nth) => (random() < 0.2 ? [nth] : []));
    const weights = Float64Array.from(model.suspects, () => random());
    const trial = Math.floor(random() * model.trials.length);
    const sum = some.reduce((all, one) => all + weights[one], 0);
    const bits = (shares: number[]) =>
      shares.reduce((all, share) => (share > 0 ? all - share * Math.log2(share) : all), 0);
    const before = bits(some.map((one) => weights[one] / sum));
    const outcomes = new Map<string, number[]>();
    for (const one of some) {
      const came = model.rows[trial].others.get(one) ?? model.rows[trial].base;
      outcomes.set(came, [...(outcomes.get(came) ?? []), weights[one]]);
    }
    const after = [...outcomes.values()].reduce((all, part) => {
      const mass = part.reduce((a, b) => a + b, 0);
      return all + (mass / sum) * bits(part.map((weight) => weight / mass));
    }, 0);
    const { among, total } = weightsAmong(some, weights);
    expect(informationBits(model, trial, among, total)).toBeCloseTo(before - after, 9);
  }
});

/** Follows a line of tests for one fault. */
function walk(
  model: Model,
  line: Line,
  suspect: number,
): { answers: { trial: string; came: string }[]; left: number[] } {
  const answers: { trial: string; came: string }[] = [];
  let at = line;
  while ("by" in at) {
    const { base, others } = model.rows[at.trial];
    const came = others.get(suspect) ?? base;
    answers.push({ trial: model.trials[at.trial].id, came });
    at = at.by.get(came)!;
  }
  return { answers, left: at.suspects };
}

describe("Loom 64", () => {
  const model = modelOf(demo("loom-64"));
  const all = model.suspects.map((_, nth) => nth);
  const weights = priorBelief(model);
  const line = lineOfTests(model, all, weights, usualEfforts);

  it("names every single fault, or exactly the group that no test tells apart", () => {
    const groupOf = new Map(groupsOf(model, all).flatMap((group) => group.map((one) => [one, group] as const)));
    for (const suspect of all)
      expect(walk(model, line, suspect).left.toSorted()).toEqual(groupOf.get(suspect)!.toSorted());
  });

  it("never loses the true fault of 2,000 faulty devices, and its probabilities sum to one", () => {
    const random = randomFrom(2000);
    const draw = () => {
      let left = random();
      return Math.max(
        0,
        all.findIndex((one) => (left -= weights[one]) <= 0),
      );
    };
    for (let device = 0; device < 2000; device++) {
      const suspect = draw();
      const { answers, left } = walk(model, line, suspect);
      // A part of the way, as somebody stands there, with now and then an answer that is wrong.
      const some = answers.slice(0, Math.floor(random() * (answers.length + 1)));
      const isWrong = some.length > 0 && random() < 0.1;
      if (isWrong) some[Math.floor(random() * some.length)] = { trial: model.trials[0].id, came: "no" };
      const { of } = beliefAfter(model, some);
      expect(of.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
      expect(of[suspect]).toBeGreaterThan(0);
      if (!isWrong) expect(consistentWith(model, some)).toContain(suspect);
      if (device % 20 === 0) {
        const end = beliefAfter(model, answers).of;
        expect(left).toContain(suspect);
        expect(left.reduce((sum, one) => sum + end[one], 0)).toBeGreaterThan(0.98);
      }
    }
  });
});

/** Key after key, then all that can be moved or watched, then bending, then a meter along everything: the first test that tells anything. */
function keyAfterKey(model: Model, suspects: number[], weights: Float64Array): Line {
  const rank = ({ deed }: Trial) => {
    if (deed.does === "check" || deed.does === "idle") return 0;
    if (deed.does === "hold") return deed.held.length === 1 ? 1 : 4;
    return { turn: 2, show: 2, axis: 2, bend: 3, meter: 5, sweep: 9 }[deed.does];
  };
  const order = model.trials
    .map((_, nth) => nth)
    .sort((a, b) => rank(model.trials[a]) - rank(model.trials[b]) || a - b);
  const go = (some: number[], from: number): Line => {
    for (let nth = from; nth < order.length; nth++) {
      const parts = splitBy(model, order[nth], some);
      if (parts.size < 2) continue;
      const by = new Map([...parts].map(([came, part]) => [came, go(part, nth + 1)]));
      return { suspects: some, trial: order[nth], effort: effortOf(model.trials[order[nth]], usualEfforts), by };
    }
    return { suspects: some };
  };
  void weights;
  return go(suspects, 0);
}

describe("mean effort until the fault is named", () => {
  for (const [id, most] of [
    ["loom-64", 1.35],
    ["tern", 1.35],
    ["kestrel", 2],
    ["dunlin", 2],
    ["loom-64-in-two", 1.6],
    ["glasshouse", 1.65],
    ["reedling", 2.1],
  ] as const)
    it(`${id}: against what no line of tests can beat, and against key after key`, () => {
      const model = modelOf(demo(id));
      const all = model.suspects.map((_, nth) => nth);
      const weights = priorBelief(model);
      const mean = meanEffort(lineOfTests(model, all, weights, usualEfforts), weights);
      const bounds = boundsOf(model, all, weights, usualEfforts);
      const plain = meanEffort(keyAfterKey(model, all, weights), weights);
      console.log(
        `${id}: ${all.length} faults, mean effort ${mean.toFixed(1)}; bounds: information ${bounds.information.toFixed(1)}, ` +
          `coverage ${bounds.coverage.toFixed(1)}, both ${bounds.both.toFixed(1)} (${(mean / bounds.most).toFixed(2)} ×); ` +
          `key after key ${plain.toFixed(1)} (${(plain / mean).toFixed(1)} ×)`,
      );
      expect(mean).toBeGreaterThanOrEqual(bounds.most);
      expect(mean / bounds.most).toBeLessThan(most);
      expect(plain).toBeGreaterThan(mean * 1.3);
    });
});

it("what is searched to the end is the best line there is: small sets of suspects against every line of tests", () => {
  const model = modelOf(smallMatrix(3, 2, "column-to-row"));
  const random = randomFrom(9);
  const shares = priorBelief(model);
  for (let round = 0; round < 40; round++) {
    const set = [...new Set(Array.from({ length: 5 }, () => Math.floor(random() * model.suspects.length)))].sort(
      (a, b) => a - b,
    );
    const known = new Map<string, number>();
    /** Every test that tells something, each to its end. */
    const best = (some: number[]): number => {
      const key = some.join();
      if (known.has(key)) return known.get(key)!;
      const mass = some.reduce((sum, one) => sum + shares[one], 0);
      let least = Infinity;
      model.trials.forEach((trial, nth) => {
        const parts = [...splitBy(model, nth, some).values()];
        if (parts.length < 2) return;
        least = Math.min(
          least,
          effortOf(trial, usualEfforts) * mass + parts.reduce((sum, part) => sum + best(part), 0),
        );
      });
      const effort = least === Infinity ? 0 : least;
      known.set(key, effort);
      return effort;
    };
    const { effort, trial } = leastEffort(model, set, shares, usualEfforts);
    expect(effort).toBeCloseTo(best(set), 9);
    if (bestChoice(model, set, shares, usualEfforts)) expect(trial).not.toBeNull();
  }
});
