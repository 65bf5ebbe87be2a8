import { join } from "node:path";
import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { asOneController } from "@/core/derived/halves";
import type { SimulationEvent } from "@/core/engine/simulate";
import { partFolder } from "@/core/targets/python/partFolder";
import { wiredDemos } from "../support/designs";
import { keysOf, loom, onTwo } from "../support/twoParts";
import { contactsOf } from "./chipWiring";
import { boardPads, glowing, linePairPad, pads, without } from "./circuitPads";
import { firstDifference } from "./firstDifference";
import { onBoard, onPartsBoard, onPythonClass, unpackPython } from "./python";
import { randomUse } from "./randomUse";
import { later, recordContacts } from "./usbChip";

const SEQUENCES = 20;

const runsOf = (design: Design) =>
  Array.from({ length: SEQUENCES }, (_, seed) => recordContacts(design, later(randomUse(design, seed + 1, []))));
const scriptOf = (runs: { script: string }[]) => runs.map(({ script }) => script).join("");
const expectedOf = (runs: { expected: string }[]) => runs.map(({ expected }) => expected).join("");

const demos = wiredDemos.map((design): [string, Design] => [design.name, design]);

describe.each([...demos, ...pads, ...boardPads])("%s in Python on a simulated board", (_, pad) => {
  const design = onPythonClass(pad);
  const runs = runsOf(design);

  it("is read and shown through the board's pins as the simulation says, in the same millisecond", async () => {
    const { output } = onBoard(design, await unpackPython(design), scriptOf(runs));
    expect(firstDifference(output, expectedOf(runs))).toBeNull();
    expect(expectedOf(runs).match(/keyboard|music/g)!.length).toBeGreaterThan(2 * SEQUENCES);
  });
});

describe("lamps between line pairs in Python on a simulated board", () => {
  const design = onPythonClass(linePairPad);
  const runs = runsOf(design);

  it("do not hold up the keys, and glow as the simulation says", async () => {
    const { output } = onBoard(design, await unpackPython(design), scriptOf(runs));
    const expected = expectedOf(runs);
    expect(firstDifference(without(output, /lamp/), without(expected, /lamp/))).toBeNull();
    expect(glowing(output)).toEqual(glowing(expected));
    expect(glowing(expected).some((lamps) => lamps.length === 3)).toBe(true);
  });
});

describe("either part of a device of two in Python on a simulated board", () => {
  const design = onTwo(loom);
  const keys = keysOf(design);

  it.each([0, 1])("reads its own keys through its own pins, and types them (%i)", async (part) => {
    const folder = join(await unpackPython(design), partFolder(design, part));
    const events = keys[part].flatMap((id, nth): SimulationEvent[] => {
      const move = { atMs: 30 + 40 * nth, control: id.split(":")[0], end: id };
      return [
        { ...move, action: "press" },
        { ...move, atMs: move.atMs + 20, action: "release" },
      ];
    });
    const use = { events, untilMs: 60 + 40 * keys[part].length };
    const { script, expected } = recordContacts(asOneController(loom), later(use));
    const numbers = [loom, design].map((one) => contactsOf(one));
    const own = script.replace(/contact (\d+)/g, (_, nth) => `contact ${numbers[1].indexOf(numbers[0][Number(nth)])}`);
    const { output } = onPartsBoard(design, part, folder, own);
    const typed = (text: string) => text.split("\n").filter((line) => line.includes(" keyboard "));
    expect(typed(expected).length).toBeGreaterThan(40);
    expect(typed(output)).toEqual(typed(expected));
  });
});
