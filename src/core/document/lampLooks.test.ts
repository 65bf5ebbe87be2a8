import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { setLampLook } from "../edits/keymap";
import { removeControls } from "../edits/controls";
import { lampPatterns, lookBytes, lookOf, pulsesASecond, steadyLook } from "./lampLooks";
import { readDesign } from "./readDesign";

describe("how a lamp is seen", () => {
  const blinking = { onMs: 300, offMs: 200, times: 0, eighths: 4 };

  it("is kept by control where it is not simply lit, and goes with its control", () => {
    const design = setLampLook(finishedPad(), "l1", blinking);
    expect(lookOf(design.keymap.looks, "l1")).toEqual(blinking);
    expect(lookOf(design.keymap.looks, "constructor")).toBe(steadyLook);
    expect(setLampLook(design, "l1", { ...blinking, onMs: 0, eighths: 8 }).keymap.looks).toEqual({});
    expect(removeControls(design, ["l1"]).keymap.looks).toEqual({});
    expect(readDesign(JSON.parse(JSON.stringify(design))).ok).toBe(true);
  });

  it("is refused in a file with its place", () => {
    const design = setLampLook(finishedPad(), "l1", { ...blinking, eighths: 9 });
    const read = readDesign(JSON.parse(JSON.stringify(design)));
    expect(read.ok ? "" : read.problems[0].path).toBe("keymap.looks.l1.eighths");
  });

  it("is told in tens of milliseconds, one at least", () => {
    expect(lookBytes(blinking)).toEqual([30, 20, 0, 4]);
    expect(lookBytes({ ...blinking, onMs: 4, offMs: 14 })).toEqual([1, 1, 0, 4]);
    expect(lookBytes(steadyLook)[0]).toBe(0);
  });

  it("says how often it flashes: what is steady or ends does not", () => {
    expect(pulsesASecond(blinking)).toBe(2);
    expect(pulsesASecond({ ...blinking, times: 3 })).toBe(0);
    expect(pulsesASecond(steadyLook)).toBe(0);
    for (const { look } of lampPatterns) expect(pulsesASecond({ ...look, eighths: 8 })).toBeLessThan(3);
  });
});
