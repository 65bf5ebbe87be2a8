import { wiredDemos } from "../support/designs";
import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { recordScript } from "@/core/engine/script";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { firstDifference } from "./firstDifference";
import { randomUse } from "./randomUse";

/** Random sequences for the builds of this computer, and device time of the first of them on the simulated core, which is slower. */
const SEQUENCES = 2000;
const ON_THE_CORE_MS = 180_000;

function record(design: Design) {
  const runs = Array.from({ length: SEQUENCES }, (_, nth) => {
    const use = randomUse(design, nth + 1);
    const run = recordScript(design, use);
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return { ...run.value, untilMs: use.untilMs };
  });
  let ms = 0;
  const first = runs.filter(({ untilMs }) => (ms += untilMs) <= ON_THE_CORE_MS);
  const joined = (some: typeof runs) => ({
    script: some.map(({ script }) => script).join(""),
    expected: some.map(({ expected }) => expected).join(""),
    ms: some.reduce((sum, { untilMs }) => sum + untilMs, 0),
  });
  return { all: joined(runs), first: joined(first) };
}

describe.each(wiredDemos)(`$name in ${SEQUENCES} random sequences`, (design) => {
  const folder = workFolder();
  const { all, first } = record(design);

  it("is used: there are several reports in a sequence", () => {
    expect(all.expected.split("\n").length).toBeGreaterThan(5 * SEQUENCES);
  });

  it.each(["gcc", "clang"] as const)("reports the same bytes at the same millisecond when built by %s", (compiler) => {
    const { output } = play(buildNative(compiler, design, folder), [], all.script);
    expect(firstDifference(output, all.expected)).toBeNull();
  });

  it("reports the same bytes at the same millisecond on the simulated 8-bit core", () => {
    const image = buildAvr(design, folder);
    const { output } = play(buildSimulator(), [image.binary], first.script);
    expect(firstDifference(output, first.expected)).toBeNull();
    expect(first.ms).toBeGreaterThan(0.99 * ON_THE_CORE_MS);
  });
});
