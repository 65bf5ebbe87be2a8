import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { boardPads, glowing, linePairPad, pads, without } from "./circuitPads";
import { firstDifference } from "./firstDifference";
import { play, workFolder } from "./builds";
import { randomUse } from "./randomUse";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles, later, recordOnChip } from "./usbChip";

const host = buildUsbHost();
const SEQUENCES = 25;

const runsOf = (design: Design) =>
  Array.from({ length: SEQUENCES }, (_, seed) => recordOnChip(design, later(randomUse(design, seed + 1, []))));

describe("lamps between line pairs on the simulated chip", () => {
  const design = onSmallClass(linePairPad);
  const runs = runsOf(design);
  const { output } = play(host, imageFiles(design, workFolder()), runs.map(({ script }) => script).join(""));
  const expected = runs.map((run) => run.expected).join("");
  it("do not hold up the keys", () =>
    expect(firstDifference(without(output, /lamp/), without(expected, /lamp/))).toBeNull());

  // They take turns, so an eye sees them a few milliseconds late: what glows at the end of each use is what should.
  it("glow as the simulation says", () => {
    expect(glowing(output)).toEqual(glowing(expected));
    expect(glowing(expected).some((lamps) => lamps.length === 3)).toBe(true);
  });
});

describe.each([...pads, ...boardPads])("%s on the simulated chip", (_, pad) => {
  const design = onSmallClass(pad);
  const runs = runsOf(design);

  it("is read and shown as the simulation says, in the same millisecond", () => {
    const { output } = play(host, imageFiles(design, workFolder()), runs.map(({ script }) => script).join(""));
    const expected = runs.map((run) => run.expected).join("");
    expect(firstDifference(output, expected)).toBeNull();
    expect(expected.match(/keyboard/g)!.length).toBeGreaterThan(3 * SEQUENCES);
  });
});
