import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import type { ControllerProfile } from "@/core/catalogue/controllers/controllerProfile";
import { setDiodes, setOwnDiode } from "@/core/edits/matrixDiodes";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { placeBlock } from "@/core/edits/placeBlock";
import { newDesign } from "@/core/document/newDesign";
import { DIODE_DROP_V, ElectricalWorld } from "@/core/engine/electricalWorld";
import { randomFrom } from "@/core/optimisation/random";
import { scanTableOf } from "@/core/firmware/scanTable";
import { point } from "@/core/geometry/point";
import { DIODE_MODEL, operatingPoint } from "./ngspice";

// Source: ngspice. Pull-up: the middle of the class's internal pull-up. Diode: 1N4148 with the parameters that its
// published SPICE models commonly carry (from memory). Closed contact 0.1 ohm, driven pin 50 ohm to ground, open lines
// 100 megohm. Input thresholds as stated in the controller classes.

const SIZE = 3;

function pad(diodes: "column-to-row" | "none") {
  let number = 0;
  const placed = placeBlock(newDesign("pad", "Pad"), SIZE, SIZE, point(0, 0), () => `k${(number += 1)}`);
  return setDiodes(shareOutMatrix(placed, "as-laid-out"), diodes);
}

const contactOf = (key: number) => `k${key + 1}:press`;

/** The columns' voltages while one row is driven. */
function spiceColumns(pressed: number[], driven: number, withDiodes: boolean, profile: ControllerProfile): number[] {
  const pullUp = (profile.pullUpMinOhm + profile.pullUpMaxOhm) / 2;
  const lines = [`Vcc vcc 0 ${profile.logicV}`, DIODE_MODEL];
  for (let i = 0; i < SIZE; i++) {
    lines.push(`Rpull${i} vcc col${i} ${pullUp}`, `Rcol${i} col${i} 0 100meg`);
    lines.push(`Rrow${i} row${i} 0 ${i === driven ? 50 : "100meg"}`);
  }
  for (const key of pressed) {
    const [row, column] = [Math.floor(key / SIZE), key % SIZE];
    lines.push(`Rkey${key} col${column} mid${key} 0.1`);
    lines.push(withDiodes ? `D${key} mid${key} row${row} D1N4148` : `Rj${key} mid${key} row${row} 0.01`);
  }
  const nodes = Array.from({ length: SIZE }, (_, i) => `col${i}`);
  const voltages = operatingPoint(lines, nodes);
  return nodes.map((node) => voltages.get(node)!);
}

/** What the engine makes of the same: true where the column reads low. */
function engineColumns(
  pressed: number[],
  driven: number,
  diodes: "column-to-row" | "none",
  profile: ControllerProfile,
): boolean[] {
  const world = new ElectricalWorld(scanTableOf(pad(diodes)), profile);
  for (const key of pressed) world.set(contactOf(key), true);
  const words = new Uint16Array(8 * (SIZE + 1));
  world.answer(words, 8);
  return Array.from({ length: SIZE }, (_, column) => ((words[(driven + 1) * 8] >> column) & 1) === 0);
}

// Three corners of a rectangle, a full row, a column, two rectangles, and everything.
const PRESSED = [
  [0],
  [0, 1, 3],
  [0, 2, 6],
  [4, 5, 7],
  [0, 1, 2],
  [0, 3, 6],
  [0, 1, 3, 5],
  [1, 3, 5, 7],
  [0, 1, 2, 3, 4, 5, 6, 7, 8],
];
const CLASSES = controllerCatalogue.filter((profile) => ["small-5v-18", "dual-core-3v3-26"].includes(profile.id));

describe.each(CLASSES)("3 × 3 matrix on the $title", (profile) => {
  it.each(["none", "column-to-row"] as const)(
    "reads as ngspice's levels say, diodes: %s",
    (diodes) => {
      for (const pressed of PRESSED) {
        for (let driven = 0; driven < SIZE; driven++) {
          const voltages = spiceColumns(pressed, driven, diodes !== "none", profile);
          for (const volt of voltages)
            expect(volt < profile.inputLowMaxV || volt > profile.inputHighMinV, `${volt} V is sure`).toBe(true);
          const low = voltages.map((volt) => volt < profile.inputLowMaxV);
          expect(engineColumns(pressed, driven, diodes, profile), `pressed ${pressed}, row ${driven}`).toEqual(low);
        }
      }
    },
    60_000,
  );

  it("ghosts without diodes where ngspice says so, and with diodes does not", () => {
    // Keys 1, 2 and 4 pressed; row 2 driven: column 2 belongs to key 5, which nobody presses.
    const pressed = [0, 1, 3];
    expect(spiceColumns(pressed, 1, false, profile)[1]).toBeLessThan(profile.inputLowMaxV);
    expect(spiceColumns(pressed, 1, true, profile)[1]).toBeGreaterThan(profile.inputHighMinV);
    expect(engineColumns(pressed, 1, "none", profile)[1]).toBe(true);
    expect(engineColumns(pressed, 1, "column-to-row", profile)[1]).toBe(false);
  });

  it("has the diode's drop that the engine counts with, within 0.1 V", () => {
    const [volt] = spiceColumns([0], 0, true, profile);
    expect(Math.abs(volt - DIODE_DROP_V)).toBeLessThan(0.1);
  });
});

// Random boards: any diode may be missing, any keys pressed. Where ngspice's level lies in the forbidden zone between
// surely low and surely high a real input may read either way; the engine then must show the ghost.
describe("random 3 × 3 boards with some diodes missing, on the small 5 V class", () => {
  const profile = controllerCatalogue.find((one) => one.id === "small-5v-18")!;
  const random = randomFrom(20);

  function boardLevels(pressed: number[], missing: Set<number>, driven: number): number[] {
    const lines = [`Vcc vcc 0 ${profile.logicV}`, DIODE_MODEL];
    for (let i = 0; i < SIZE; i++) {
      lines.push(
        `Rpull${i} vcc col${i} ${(profile.pullUpMinOhm + profile.pullUpMaxOhm) / 2}`,
        `Rcol${i} col${i} 0 100meg`,
      );
      lines.push(`Rrow${i} row${i} 0 ${i === driven ? 50 : "100meg"}`);
    }
    for (const key of pressed) {
      const [row, column] = [Math.floor(key / SIZE), key % SIZE];
      lines.push(`Rkey${key} col${column} mid${key} 0.1`);
      lines.push(missing.has(key) ? `Rj${key} mid${key} row${row} 0.01` : `D${key} mid${key} row${row} D1N4148`);
    }
    const nodes = Array.from({ length: SIZE }, (_, i) => `col${i}`);
    const voltages = operatingPoint(lines, nodes);
    return nodes.map((node) => voltages.get(node)!);
  }

  it("read as ngspice's levels say in 25 cases", () => {
    let ghosts = 0;
    for (let round = 0; round < 25; round++) {
      const keys = Array.from({ length: SIZE * SIZE }, (_, key) => key);
      const pressed = keys.filter(() => random() < 0.5);
      const missing = new Set(keys.filter(() => random() < 0.4));
      const design = setOwnDiode(pad("column-to-row"), [...missing].map(contactOf), false);
      const world = new ElectricalWorld(scanTableOf(design), profile);
      for (const key of pressed) world.set(contactOf(key), true);
      const words = new Uint16Array(8 * (SIZE + 1));
      world.answer(words, 8);
      for (let driven = 0; driven < SIZE; driven++) {
        boardLevels(pressed, missing, driven).forEach((volt, column) => {
          const readsLow = ((words[(driven + 1) * 8] >> column) & 1) === 0;
          const where = `pressed ${pressed}, without diode ${[...missing]}, row ${driven}, column ${column}: ${volt} V`;
          if (volt < profile.inputLowMaxV) expect(readsLow, where).toBe(true);
          if (volt > profile.inputHighMinV) expect(readsLow, where).toBe(false);
          if (readsLow && !pressed.includes(driven * SIZE + column)) ghosts += 1;
        });
      }
    }
    expect(ghosts).toBeGreaterThan(5);
  }, 60_000);
});
