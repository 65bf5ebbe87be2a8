import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import type { SimulationRequest } from "@/core/engine/simulate";
import { wiredDemos } from "../support/designs";
import { firstDifference } from "./firstDifference";
import { play, workFolder } from "./builds";
import { randomUse } from "./randomUse";
import { buildUsbHost, imageFiles, lateOn, later, onSmallClass, recordContacts } from "./usbChip";

/** Device time of each demo on the simulated chip, by fixed seeds. */
const BUDGET_MS = 60_000;

const host = buildUsbHost(workFolder());

function usesFor(design: Design, budgetMs: number): SimulationRequest[] {
  const uses: SimulationRequest[] = [];
  for (let seed = 1, ms = 0; ms < budgetMs; seed++) {
    const use = later(randomUse(design, seed, false));
    ms += use.untilMs;
    uses.push(use);
  }
  return uses;
}

describe.each(wiredDemos)("the finished image of $name on the simulated chip", (demo) => {
  const design = onSmallClass(demo);
  const uses = usesFor(design, BUDGET_MS);
  const { output, notes } = play(
    host,
    imageFiles(design, workFolder()),
    uses.map((use) => recordContacts(design, use).script).join(""),
  );
  const late = lateOn(notes);

  it("sends, over USB, what the simulation says, byte for byte in the same millisecond", () => {
    const expected = uses.map((use, nth) => {
      const events = [...use.events, ...(late.get(nth) ?? [])].sort((a, b) => a.atMs - b.atMs);
      return recordContacts(design, { ...use, events }).expected;
    });
    expect(firstDifference(output, expected.join(""))).toBeNull();
    console.log(`${design.name}: ${late.size} of ${uses.length} sequences had a late scan on the chip`);
  });

  it("is used: there are several reports in a sequence", () =>
    expect(output.split("\n").length).toBeGreaterThan(5 * uses.length));
});
