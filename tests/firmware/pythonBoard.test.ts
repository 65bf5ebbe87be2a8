import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { wiredDemos } from "../support/designs";
import { boardPads, glowing, linePairPad, pads, without } from "./circuitPads";
import { firstDifference } from "./firstDifference";
import { onBoard, onPythonClass, unpackPython } from "./python";
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
