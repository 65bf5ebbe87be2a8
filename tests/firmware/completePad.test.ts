import { describe, expect, it } from "vitest";
import { ramNeed } from "@/core/firmware/capacity";
import { scanTableOf } from "@/core/firmware/scanTable";
import { wiredDemos } from "../support/designs";
import { completePad, completeUse } from "./completePad";
import { firstDifference } from "./firstDifference";
import { play, workFolder } from "./builds";
import { buildUsbHost, imageFiles, lateOn, recordOnChip, toldOf } from "./usbChip";

const CYCLES_A_MS = 16_000;
const MOST_RAM = 2000;

describe("64 keys, four axes, a display's page and a game pad on the 8-bit USB chip", () => {
  const design = completePad();
  const use = completeUse(design, 20);
  const { output, notes } = play(buildUsbHost(), imageFiles(design, workFolder()), recordOnChip(design, use).script);

  it("have everything that the words say", () => {
    const scan = scanTableOf(design);
    expect([scan.switches.length, scan.sensors.length, scan.displays.length]).toEqual([66, 4, 1]);
    for (const what of [" keyboard ", " pad ", " display "]) expect(output.split(what).length).toBeGreaterThan(5);
  });

  it("scan within a millisecond while 20 keys change at once, and tell what the simulation says", () => {
    const events = [...use.events, ...(lateOn(notes).get(0) ?? [])].sort((a, b) => a.atMs - b.atMs);
    expect(firstDifference(output, recordOnChip(design, { ...use, events }).expected)).toBeNull();
    console.log(`complete: ${toldOf(notes, "most")} cycles at most, ${toldOf(notes, "mean")} on an average`);
    expect(toldOf(notes, "most")).toBeLessThan(CYCLES_A_MS);
    expect(toldOf(notes, "late")).toBe(0);
  });

  it("need less RAM than is promised, as Kestrel complete does", () => {
    const kestrel = wiredDemos.find(({ id }) => id === "kestrel")!;
    expect(scanTableOf(kestrel).displays).toHaveLength(1);
    for (const one of [design, kestrel]) expect(ramNeed(scanTableOf(one), one)).toBeLessThan(MOST_RAM);
  });
});
