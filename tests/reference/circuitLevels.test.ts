import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { floatingLoadOhm, ladderLevel, ladderMargin, rungLevels, rungTold } from "@/core/circuits/ladderVoltage";
import { wireAs } from "@/core/edits/wiring";
import { lockCells, setReversed, setOwnDiode } from "@/core/edits/matrixDiodes";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import type { Design } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { ElectricalWorld } from "@/core/engine/electricalWorld";
import { randomFrom } from "@/core/optimisation/random";
import { scanTableOf } from "@/core/firmware/scanTable";
import { checkScan } from "@/core/matrix/scanElectrics";
import { keyBlock } from "../support/designs";
import { DIODE_MODEL, operatingPoint, riseTime } from "./ngspice";

// Source: ngspice, with the 1N4148 and pin values stated in its helper and in the controller classes. Closed contacts
// are 0.1 ohm, a driven pin 50 ohm, open lines 100 megohm.
const small = controllerCatalogue.find(({ id }) => id === "small-5v-18")!;
const dual = controllerCatalogue.find(({ id }) => id === "dual-core-3v3-26")!;
const pullUpOf = ({ pullUpMinOhm, pullUpMaxOhm }: typeof small) => (pullUpMinOhm + pullUpMaxOhm) / 2;

/** Levels of every sense line while one strobe is driven, from the conductors of a design's circuits. */
function levels(
  design: Design,
  pressed: Set<string>,
  strobe: string | null,
  profile: typeof small,
): Map<string, number> {
  const { conductors, senseLines, strobeLines } = scanTableOf(design);
  const name = (net: string) =>
    net === "GND" ? "0" : `n${[...new Set([...senseLines, ...strobeLines])].indexOf(net)}`;
  const lines = [`Vcc vcc 0 ${profile.logicV}`, DIODE_MODEL];
  const nets = [...new Set([...senseLines, ...strobeLines])];
  for (const net of nets) {
    lines.push(`Rleak${name(net)} ${name(net)} 0 100meg`);
    // A line that is driven has no pull-up then; every other one that can be read has.
    if (net === strobe) lines.push(`Rdrive ${name(net)} 0 50`);
    else if (senseLines.includes(net)) lines.push(`Rpull${name(net)} vcc ${name(net)} ${pullUpOf(profile)}`);
  }
  conductors
    .filter(({ contact }) => pressed.has(contact))
    .forEach(({ from, to, diode }, nth) => {
      lines.push(`Rkey${nth} ${name(from)} m${nth} 0.1`);
      lines.push(diode ? `D${nth} m${nth} ${name(to)} D1N4148` : `Rj${nth} m${nth} ${name(to)} 0.01`);
    });
  const found = operatingPoint(lines, senseLines.map(name));
  return new Map(senseLines.map((net) => [net, found.get(name(net))!]));
}

function readings(design: Design, pressed: Set<string>, profile: typeof small) {
  const plan = scanTableOf(design);
  const world = new ElectricalWorld(plan, profile);
  for (const contact of pressed) world.set(contact, true);
  const words = new Uint16Array(8 * (plan.strobeLines.length + 1));
  world.answer(words, 8);
  return (strobe: number | null, line: number) =>
    ((words[(strobe === null ? 0 : strobe + 1) * 8 + (line >> 4)] >> (line & 15)) & 1) === 0;
}

const matrixPad = shareOutMatrix(keyBlock(3, 3), "as-laid-out");
const ids = [...derive(matrixPad).elements.keys()];
const CIRCUITS: [title: string, design: Design][] = [
  ["a matrix with one diode missing", setOwnDiode(matrixPad, ["k5:press"], false)],
  ["a matrix with one diode reversed", setReversed(matrixPad, ["k5:press"], true)],
  ["a matrix with half of its diodes", setOwnDiode(matrixPad, ["k1:press", "k3:press", "k5:press", "k7:press"], false)],
  ["a two-way matrix", wireAs(keyBlock(4, 2), "two-way-matrix", [...derive(keyBlock(4, 2)).elements.keys()])],
  ["parallel-in registers", wireAs(keyBlock(3, 3), "input-registers", ids)],
  ["a bus expander", wireAs(keyBlock(3, 3), "expander", ids)],
];

describe.each(CIRCUITS)("%s", (_title, design) => {
  it.each([small, dual])(
    "reads as ngspice's levels say, on the $title",
    (profile) => {
      const random = randomFrom(3);
      const plan = scanTableOf(design);
      const contacts = plan.conductors.map(({ contact }) => contact);
      let low = 0;
      for (let round = 0; round < 5; round++) {
        const pressed = new Set(contacts.filter(() => random() < 0.45));
        const reads = readings(design, pressed, profile);
        for (const group of plan.groups) {
          const strobe = group.strobe === null ? null : plan.strobeLines[group.strobe];
          const volts = levels(design, pressed, strobe, profile);
          group.cells.forEach((cell, bit) => {
            if (cell === null) return;
            const line = group.bank * 16 + bit;
            const volt = volts.get(plan.senseLines[line])!;
            const isLow = reads(group.strobe, line);
            const where = `${[...pressed]} pressed, ${strobe} driven, ${plan.senseLines[line]} at ${volt} V`;
            if (volt < profile.inputLowMaxV) expect(isLow, where).toBe(true);
            if (volt > profile.inputHighMinV) expect(isLow, where).toBe(false);
            if (isLow) low += 1;
          });
        }
      }
      expect(low).toBeGreaterThan(3);
    },
    120_000,
  );
});

describe("a ladder", () => {
  const bank = (count: number, pullDownOhm: number) => ({
    rungs: Array.from({ length: count }, (_, nth) => `k${nth}`),
    rungOhms: Array.from({ length: count }, () => 1000),
    pullDownOhm,
  });

  function spiceLadder(count: number, pullDownOhm: number, pressed: number[]): number {
    const lines = ["Vcc t9999 0 1"];
    const node = (tap: number) => (tap === 0 ? "0" : tap === count ? "t9999" : `t${tap}`);
    for (let tap = 1; tap <= count; tap++) lines.push(`R${tap} ${node(tap)} ${node(tap - 1)} 1000`);
    for (const tap of pressed) lines.push(`Rk${tap} ${node(tap)} read 0.001`);
    lines.push(`Rp read 0 ${pullDownOhm}`);
    return operatingPoint(lines, ["read"]).get("read")!;
  }

  it.each([
    [12, 1_000_000],
    [12, 47_000],
    [24, 100_000],
  ])(
    "of %i keys with %i ohm pull-down has ngspice's levels within 0.5 %",
    (count, pullDown) => {
      const own = rungLevels(bank(count, pullDown));
      for (let tap = 1; tap <= count; tap++) {
        const volt = spiceLadder(count, pullDown, [tap]);
        expect(Math.abs(own[tap - 1] / volt - 1), `tap ${tap}`).toBeLessThan(0.005);
        expect(rungTold(bank(count, pullDown), volt)).toBe(tap - 1);
      }
    },
    60_000,
  );

  it("has ngspice's level with several keys pressed, and tells one of them or a wrong one as it says", () => {
    for (const pressed of [
      [2, 7],
      [1, 12],
      [4, 5, 9],
    ]) {
      const volt = spiceLadder(12, 1_000_000, pressed);
      expect(Math.abs(ladderLevel(bank(12, 1_000_000), pressed) / volt - 1)).toBeLessThan(0.005);
    }
  });

  it("has the margin that ngspice finds when all resistors of a tap are off by the tolerance", () => {
    const [count, tolerance] = [12, 0.01];
    const lines = (tap: number, sign: number) => {
      const deck = ["Vcc t9999 0 1"];
      const node = (t: number) => (t === 0 ? "0" : t === count ? "t9999" : `t${t}`);
      for (let t = 1; t <= count; t++)
        deck.push(`R${t} ${node(t)} ${node(t - 1)} ${1000 * (1 + (t <= tap ? sign : -sign) * tolerance)}`);
      deck.push(`Rk ${node(tap)} read 0.001`, "Rp read 0 1000000");
      return operatingPoint(deck, ["read"]).get("read")!;
    };
    const own = rungLevels(bank(count, 1_000_000));
    let least = Infinity;
    for (let tap = 1; tap <= count; tap++) {
      least = Math.min(least, lines(tap, -1) - (own[tap - 1] + (own[tap - 2] ?? 0)) / 2);
      if (tap < count) least = Math.min(least, (own[tap - 1] + own[tap]) / 2 - lines(tap, 1));
    }
    expect(ladderMargin(bank(count, 1_000_000), tolerance)).toBeCloseTo(least, 4);
  }, 60_000);
});

describe("a multiplexer's channel", () => {
  // On resistance 70 ohm and 0.1 µA off leakage a channel, as the 74HC4067's data sheet gives (from memory).
  it.each([small, dual])(
    "reads surely through its switch, with fifteen other channels closed, on the $title",
    (profile) => {
      const level = (selectedClosed: boolean) => {
        const lines = [`Vcc vcc 0 ${profile.logicV}`, `Rpull vcc data ${profile.pullUpMaxOhm}`, "Ron data ch 70"];
        lines.push(selectedClosed ? "Rkey ch 0 0.1" : "Rkey ch 0 100meg");
        for (let way = 0; way < 15; way++) lines.push(`Ileak${way} data 0 0.1u`);
        return operatingPoint(lines, ["data"]).get("data")!;
      };
      expect(level(true)).toBeLessThan(profile.inputLowMaxV);
      expect(level(false)).toBeGreaterThan(profile.inputHighMinV);
    },
  );
});

describe("a scan's levels and settling", () => {
  // One closed switch. At first its row is driven low; then the row is let go, and column and row rise together.
  it.each([
    [small, true, 20e-12, 20e-12],
    [small, true, 60e-12, 90e-12],
    [dual, true, 30e-12, 40e-12],
    [dual, false, 30e-12, 40e-12],
    [small, false, 100e-12, 15e-12],
  ])(
    "take the time ngspice says within 10 %% (case %#)",
    (profile, hasDiode, senseF, driveF) => {
      const check = checkScan({
        supplyV: profile.logicV,
        inputLowMaxV: profile.inputLowMaxV,
        inputHighMinV: profile.inputHighMinV,
        pullUpMinOhm: profile.pullUpMinOhm,
        pullUpMaxOhm: profile.pullUpMaxOhm,
        driverOhm: 50,
        senseOhm: 0.1,
        driveOhm: 0.1,
        senseF,
        driveF,
        hasDiode,
      });
      const joint = hasDiode ? "D1 mid row D1N4148" : "Rj mid row 0.1";
      const low = operatingPoint(
        [
          `Vcc vcc 0 ${profile.logicV}`,
          DIODE_MODEL,
          `Rp vcc col ${profile.pullUpMinOhm}`,
          "Rk col mid 0.1",
          joint,
          "Rd row 0 50",
        ],
        ["col"],
      ).get("col")!;
      expect(Math.abs(check.lowV - low)).toBeLessThan(0.02);
      const weak = operatingPoint(
        [
          `Vcc vcc 0 ${profile.logicV}`,
          DIODE_MODEL,
          `Rp vcc col ${profile.pullUpMaxOhm}`,
          "Rk col mid 0.1",
          joint,
          "Rd row 0 50",
        ],
        ["col", "row"],
      );
      const rise = riseTime(
        [
          `Vcc vcc 0 ${profile.logicV}`,
          DIODE_MODEL,
          `Rp vcc col ${profile.pullUpMaxOhm}`,
          "Rk col mid 0.1",
          joint,
          `Cc col 0 ${senseF} ic=${weak.get("col")}`,
          `Cr row 0 ${driveF} ic=${weak.get("row")}`,
          "Rleak row 0 100meg",
        ],
        "col",
        profile.inputHighMinV,
        5e-9,
        60e-6,
      );
      expect(Math.abs((check.settleUs * 1e-6) / rise - 1), `${check.settleUs} µs and ${rise * 1e6} µs`).toBeLessThan(
        0.1,
      );
    },
    60_000,
  );
});

describe("locked cells", () => {
  it("stay where they are when the pad is shared out anew", () => {
    const locked = lockCells(matrixPad, ["k1:press"], true);
    const again = shareOutMatrix(locked, "fewest-pins");
    const cellOf = (d: Design) => d.circuits.flatMap((c) => (c.kind === "matrix" ? [c.cells["k1:press"]] : []))[0];
    expect(cellOf(again)).toEqual(cellOf(matrixPad));
  });
});

describe("two banks of a ladder with a pad held in each", () => {
  /** The read bank powered, the other floating at its top, both pads on the common line. */
  function spiceBanks(count: number, ohm: number, pullDown: number, read: number, other: number): number {
    const lines = [`Vcc top 0 1`];
    const chain = (name: string, topNode: string) => {
      const node = (tap: number) => (tap === 0 ? "0" : tap === count ? topNode : `${name}${tap}`);
      for (let tap = 1; tap <= count; tap++) lines.push(`R${name}${tap} ${node(tap)} ${node(tap - 1)} ${ohm}`);
      return node;
    };
    const a = chain("a", "top");
    const b = chain("b", "loose");
    lines.push(`Rka ${a(read)} line 0.001`, `Rkb ${b(other)} line 0.001`, `Rp line 0 ${pullDown}`);
    return operatingPoint(lines, ["line"]).get("line")!;
  }

  it.each([
    [2, 1],
    [2, 4],
    [3, 2],
    [1, 1],
  ])("reads what ngspice reads: pad %i of four while pad %i of the other bank is held", (read, other) => {
    const bank = { rungs: ["1", "2", "3", "4"], rungOhms: [1000, 1000, 1000, 1000], pullDownOhm: 1_000_000 };
    const load = floatingLoadOhm(bank, [other])!;
    expect(ladderLevel(bank, [read], [load])).toBeCloseTo(spiceBanks(4, 1000, 1_000_000, read, other), 3);
  });
});
