import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../demo";
import type { LadderCircuit } from "@/core/circuits/ladder";
import { rungLevels } from "@/core/circuits/ladderVoltage";
import { columnNetId } from "@/core/circuits/matrix";
import { derive } from "@/core/derived/derive";
import { chooseController } from "@/core/edits/pins";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { commonLine } from "@/core/formats/spice/ladderDeck";
import { lineOf } from "@/core/formats/spice/matrixDeck";
import { measuring } from "@/core/power/battery";
import { matrixOf } from "../support/designs";
import { keyBlock } from "../support/keyBlock";
import type { LightChain } from "@/core/circuits/lightChain";
import type { Design } from "@/core/document/schema";
import { type Source, usualSupply } from "@/core/document/supplySettings";
import { addControl, changeControl } from "@/core/edits/controls";
import { changeCircuit, wireAs } from "@/core/edits/wiring";
import { deckOf } from "@/core/formats/circuitCir";
import { randomFrom } from "@/core/optimisation/random";
import { type State, states } from "@/core/power/consumers";
import { supplyAt } from "@/core/power/solveSupply";
import { chainOf, elementIds } from "../support/litRows";
import { analogView } from "@/core/analog/analogView";
import { arrival, busLine } from "@/core/formats/spice/edgeDeck";
import { levelsView } from "@/core/levels/levelsView";
import { operatingPoint, riseTime } from "./ngspice";

// Source: ngspice, on the deck that the export "circuit-cir" hands out.

/** Voltage between the ends of every part, by ngspice and by the app. */
function compare(design: Design, state: State): { label: string; own: number; spice: number }[] {
  const deck = deckOf(design, state);
  const supply = supplyAt(design, state)!;
  const wired = supply.consumers.filter(({ plus }) => plus !== null && deck.known(plus) !== undefined);
  const nodes = new Set(
    wired.flatMap(({ plus, minus }) => [deck.known(plus!)!, deck.known(minus ?? "") ?? "0"]).filter((n) => n !== "0"),
  );
  const entry = deck.known("the module's entry")!;
  const volts = operatingPoint(deck.lines, [...nodes, entry]);
  const at = (node: string) => (node === "0" ? 0 : volts.get(node)!);
  return [
    { label: "entry", own: supply.entryV, spice: at(entry) },
    ...wired.map(({ id, label, plus, minus }) => ({
      label,
      own: supply.parts.get(id)!.volts,
      spice: at(deck.known(plus!)!) - at(deck.known(minus ?? "") ?? "0"),
    })),
  ];
}

function agree(design: Design, state: State): number {
  const all = compare(design, state);
  for (const { label, own, spice } of all)
    expect(Math.abs(own - spice), `${label}: ${own} V here, ${spice} V in ngspice`).toBeLessThan(0.01 * spice);
  return all.length;
}

describe("the supply of the demos", () => {
  it.each(demoDesigns)("of $name are those of ngspice within 1 %", (design) => {
    for (const state of states) expect(agree(design, state)).toBeGreaterThan(0);
  });
});

const SOURCES: Source[] = [
  { kind: "usb-2" },
  { kind: "usb-c", advertisedMa: 3000 },
  { kind: "outside", volts: 5, limitMa: 3000 },
  { kind: "battery", cell: "lithium-ion", series: 1, capacityMah: 2000, cutOffV: 3.3 },
];

/** Lights and motors on wires, cable, fuse, diode and source by chance. */
function randomDesign(seed: number): Design {
  const random = randomFrom(seed);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)];
  const count = 3 + Math.floor(random() * 40);
  const profileId = pick(["small-5v-18", "dual-core-3v3-26"]);
  let design = chainOf(count, profileId, 10 + random() * 40);
  for (let n = 0; n < 3; n++) {
    design = addControl(design, "motor", `m${n}`, {
      xMm: random() * 300,
      yMm: 40 + n * 20,
      rotationDeg: 0,
      boardId: "panel",
    });
    design = changeControl(design, `m${n}`, { currentMa: 20 + Math.round(random() * 200) });
  }
  design = wireAs(
    design,
    "direct",
    elementIds(design).filter((id) => id.startsWith("m")),
  );
  design = changeCircuit<LightChain>(design, "lights", {
    brightnessPercent: 5 + Math.floor(random() * 95),
    colours: pick([1, 2, 3] as const),
    feed: pick(["5V", "diode", "logic"] as const),
    mostLit: random() < 0.3 ? 1 + Math.floor(random() * count) : null,
    feedAt: random() < 0.4 ? [`c${Math.floor(random() * count)}:light`] : [],
  });
  return {
    ...design,
    wires: { ...design.wires, supplyMm2: pick([0.05, 0.1, 0.25, 0.5]) },
    supply: {
      ...usualSupply,
      source: pick(SOURCES),
      cable: { lengthM: random() * 3, mm2: pick([0.1, 0.2, 0.5]) },
      fuse: random() < 0.4 ? { holdMa: 500, ohm: random() } : null,
      diode: pick(["none", "schottky", "silicon"] as const),
      outside: random() < 0.3 ? { limitMa: 3000, isChosen: random() < 0.7 } : null,
    },
  };
}

describe("supplies by chance", () => {
  it.each(Array.from({ length: 40 }, (_, seed) => seed + 1))("seed %i has ngspice's voltages within 1 %%", (seed) => {
    expect(agree(randomDesign(seed), "worst")).toBeGreaterThan(3);
  });
});

describe("the same deck", () => {
  it("has the levels of a ladder's keys, each pressed alone", () => {
    const keys = wireAs(keyBlock(4, 2), "ladder", elementIds(keyBlock(4, 2)));
    const design = changeCircuit<LadderCircuit>(chooseController(keys, "small-5v-18"), "ladder", {
      perBank: 8,
      pullDownOhm: 47_000,
    });
    const [bank] = derive(design).builtCircuits[0].ladders;
    const levels = rungLevels(bank);
    bank.rungs.forEach((id, nth) => {
      const deck = deckOf(design, "worst", new Set([id]));
      const node = deck.known(commonLine("ladder", 0))!;
      expect(operatingPoint(deck.lines, [node]).get(node)! / 5).toBeCloseTo(levels[nth], 3);
    });
  });

  it("has a matrix in which a pressed key pulls its column down through its diode", () => {
    const design = chooseController(shareOutMatrix(keyBlock(3, 3), "as-laid-out"), "small-5v-18");
    const level = (pressed: string[]) => {
      const deck = deckOf(design, "worst", new Set(pressed));
      const node = deck.known(lineOf("matrix", columnNetId(matrixOf(design), 0)))!;
      return operatingPoint(deck.lines, [node]).get(node)!;
    };
    const first = Object.entries(matrixOf(design).cells).find(([, { row, column }]) => row === 0 && column === 0)![0];
    expect(level([])).toBeGreaterThan(4.9);
    expect(level([first])).toBeLessThan(0.7);
  });

  it("has the divider of a battery, whose pin sees what is told", () => {
    const battery: Source = { kind: "battery", cell: "lithium-ion", series: 2, capacityMah: 2000, cutOffV: 3.3 };
    const design: Design = {
      ...chainOf(3),
      supply: { ...usualSupply, source: battery, measured: { topOhm: 270_000, bottomOhm: 240_000 } },
    };
    const deck = deckOf(design);
    const node = deck.known("divider: the pin")!;
    expect(operatingPoint(deck.lines, [node]).get(node)!).toBeCloseTo(measuring(design)!.pinV, 2);
  });
});

/** Seconds from when a node passes one voltage to when it passes another. */
const between = (lines: string[], node: string, low: number, high: number, endS: number) =>
  riseTime(lines, node, high, endS / 5000, endS) - riseTime(lines, node, low, endS / 5000, endS);

const within10 = (own: number, spice: number) => expect(Math.abs(own - spice) / spice).toBeLessThan(0.1);

describe("edges and settling, by ngspice on the exported deck", () => {
  it("of a powered ladder bank agree within 10 %", () => {
    const reedling = demoDesigns.find(({ id }) => id === "reedling")!;
    const [bank] = derive(reedling).builtCircuits.flatMap(({ ladders }) => ladders);
    const { bits, ladders } = analogView(reedling);
    const levels = rungLevels(bank);
    const volts = derive(reedling).profile!.logicV;
    const times = bank.rungs.slice(0, -1).map((id, nth) => {
      const deck = deckOf(reedling, "worst", new Set([id]));
      const node = deck.known(commonLine("ladder", 0))!;
      const close = volts * (levels[nth] - 2 ** -(bits + 1));
      return riseTime(deck.lines, node, close, 1e-9, 4e-6);
    });
    within10(ladders[0].banks[0].settleUs, 1e6 * Math.max(...times));
  }, 60_000);

  it("of a bus from 30 to 70 % agree within 10 %", () => {
    const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
    const [bus] = levelsView(kestrel).buses;
    const deck = deckOf(kestrel);
    const volts = derive(kestrel).profile!.logicV;
    const node = deck.known(busLine(bus.bus))!;
    within10(bus.riseNs, 1e9 * between(deck.lines, node, 0.3 * volts, 0.7 * volts, 4e-6));
  });

  it("of ways from one voltage to another, from 10 to 90 %, agree within 10 %", () => {
    // Lights on 5 V by a 3.3 V pin, digits likewise, and a radio of 3.3 V on a module of 5 V.
    const glasshouse = demoDesigns.find(({ id }) => id === "glasshouse")!;
    const far = { xMm: 0, yMm: 300, rotationDeg: 0, boardId: "panel" };
    const radio = wireAs(addControl(chainOf(3), "radio", "r", far), "spi-radio", ["r:radio"]);
    const compared = new Set<string>();
    for (const design of [radio, chooseController(chainOf(3), "dual-core-3v3-26"), glasshouse]) {
      const deck = deckOf(design);
      for (const { circuit, driver, highV, receiverV, ways } of levelsView(design).crossings)
        for (const { id, fastestHz, highV: arrives } of ways) {
          if (id !== "divider" && id !== "open drain") continue;
          const node = deck.known(arrival(circuit, driver, id))!;
          const top = id === "divider" ? arrives : receiverV;
          expect(top).toBeLessThanOrEqual(Math.max(highV, receiverV));
          within10(1 / (2 * fastestHz), between(deck.lines, node, 0.1 * top, 0.9 * top, 4e-6));
          compared.add(id);
        }
    }
    expect([...compared].sort()).toEqual(["divider", "open drain"]);
  });
});
