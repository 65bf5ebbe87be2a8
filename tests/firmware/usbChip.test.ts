import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import type { SimulationRequest } from "@/core/engine/simulate";
import { scanTableOf } from "@/core/firmware/scanTable";
import { imageFor } from "@/core/image/usb8Images";
import { IMAGE_ARENA_BYTES, IMAGE_VARIABLE_BYTES } from "@/core/image/usb8Memory.generated";
import { wiredDemos } from "../support/designs";
import { firstDifference } from "./firstDifference";
import { play, workFolder } from "./builds";
import { randomUse } from "./randomUse";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles, lateOn, later, manyAtOnce, recordOnChip, toldOf, inAnyOrder } from "./usbChip";

/** Device time of each demo on the simulated chip, by fixed seeds. */
const BUDGET_MS = 40_000;

/** One millisecond at 16 MHz. */
const CYCLES_A_MS = 16_000;
const AT_ONCE = 20;
const RAM_BYTES = 2560;

const host = buildUsbHost();

function usesFor(design: Design, budgetMs: number): SimulationRequest[] {
  const uses: SimulationRequest[] = [];
  for (let seed = 1, ms = 0; ms < budgetMs; seed++) {
    const use = later(randomUse(design, seed, ["busy", "ready"]));
    ms += use.untilMs;
    uses.push(use);
  }
  return uses;
}

describe.each(wiredDemos)("the finished image of $name on the simulated chip", (demo) => {
  const design = onSmallClass(demo);
  const files = imageFiles(design, workFolder());
  const uses = usesFor(design, BUDGET_MS);
  const { output, notes } = play(host, files, uses.map((use) => recordOnChip(design, use).script).join(""));
  const late = lateOn(notes);

  it("sends, over USB, what the simulation says, byte for byte in the same millisecond", () => {
    const expected = uses.map((use, nth) => {
      const events = [...use.events, ...(late.get(nth) ?? [])].sort((a, b) => a.atMs - b.atMs);
      return recordOnChip(design, { ...use, events }).expected;
    });
    expect(firstDifference(inAnyOrder(output), inAnyOrder(expected.join("")))).toBeNull();
    console.log(`${design.name}: ${late.size} of ${uses.length} sequences had a late scan on the chip`);
  });

  it("scans with 20 switches changing at once within a millisecond, with the true cost of its pins", () => {
    const use = manyAtOnce(design, AT_ONCE);
    const run = play(host, files, recordOnChip(design, use).script);
    const events = [...use.events, ...(lateOn(run.notes).get(0) ?? [])].sort((a, b) => a.atMs - b.atMs);
    expect(firstDifference(run.output, recordOnChip(design, { ...use, events }).expected)).toBeNull();
    expect(toldOf(run.notes, "most")).toBeLessThan(CYCLES_A_MS);
    expect(toldOf(run.notes, "late")).toBe(0);
  });

  it("leaves the stack twice the room that it was seen to need", () =>
    expect(2 * toldOf(notes, "stack")).toBeLessThan(
      RAM_BYTES - IMAGE_ARENA_BYTES - IMAGE_VARIABLE_BYTES[imageFor(design, scanTableOf(design)).id],
    ));

  it("is used: there are several reports in a sequence", () =>
    expect(output.split("\n").length).toBeGreaterThan(5 * uses.length));
});
