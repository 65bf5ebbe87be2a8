import { expect, it } from "vitest";
import { firstDifference } from "./firstDifference";
import { fullKeymap, fullUse } from "./fullKeymap";
import { play, workFolder } from "./builds";
import { buildUsbHost, imageFiles, lateOn, recordOnChip, toldOf } from "./usbChip";

const AT_ONCE = 20;
const CYCLES_A_MS = 16_000;

it("scans 64 keys on 8 layers with 16 sets of keys together and a macro that plays, 20 changing at once, within a millisecond", () => {
  const design = fullKeymap();
  const use = fullUse(design, AT_ONCE);
  const run = play(buildUsbHost(), imageFiles(design, workFolder()), recordOnChip(design, use).script);
  const events = [...use.events, ...(lateOn(run.notes).get(0) ?? [])].sort((a, b) => a.atMs - b.atMs);
  expect(firstDifference(run.output, recordOnChip(design, { ...use, events }).expected)).toBeNull();
  const most = toldOf(run.notes, "most");
  console.log(`64 keys, 8 layers, 16 sets, a macro: at most ${most} cycles a scan`);
  expect(most).toBeLessThan(CYCLES_A_MS);
  expect(run.output.split("\n").length).toBeGreaterThan(100);
});
