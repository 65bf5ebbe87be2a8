import type { Design } from "@/core/document/schema";
import { type FirmwareScript, recordScript } from "@/core/engine/script";
import { randomUse } from "./randomUse";
import { later } from "./usbChip";

/** What a computer and a clock do while a hand plays. */
const MOODS = ["busy", "ready", "reset", "late"] as const;

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
