import type { Design } from "@/core/document/schema";
import { type FirmwareScript, recordScript } from "@/core/engine/script";
import { randomUse } from "./randomUse";
import { play, workFolder } from "./builds";
import { buildUsbHost, imageFiles, lateOn, later, recordOnChip, inAnyOrder } from "./usbChip";

/** What a computer and a clock do while a hand plays. */
const MOODS = ["busy", "ready", "reset", "late", "sleep", "wake"] as const;

/** Random uses of a device, each with the script and what must come of it. */
export const recorded = (design: Design, seeds: number, moods: readonly (typeof MOODS)[number][] = MOODS) =>
  Array.from({ length: seeds }, (_, seed) => {
    const use = later(randomUse(design, seed + 1, moods));
    const run = recordScript(design, use);
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return { ...run.value, use };
  });

/** Several runs one after another, as one. */
export const joined = (runs: FirmwareScript[]): FirmwareScript => ({
  script: runs.map(({ script }) => script).join(""),
  expected: runs.map(({ expected }) => expected).join(""),
});

/** Random uses over USB on the simulated chip: what it says, and what must come of them, with the scans that were late there. */
export function playedOnChip(design: Design, seeds: number): { output: string; expected: string } {
  const runs = recorded(design, seeds, ["busy", "ready"]).map(({ use }) => use);
  const script = runs.map((use) => recordOnChip(design, use).script).join("");
  const { output, notes } = play(buildUsbHost(), imageFiles(design, workFolder()), script);
  const late = lateOn(notes);
  const expected = runs.map((use, nth) => {
    const events = [...use.events, ...(late.get(nth) ?? [])].sort((a, b) => a.atMs - b.atMs);
    return recordOnChip(design, { ...use, events }).expected;
  });
  return { output: inAnyOrder(output), expected: inAnyOrder(expected.join("")) };
}
