import { wiredDemos } from "../support/designs";
import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { recordScript } from "@/core/engine/script";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { firstDifference } from "./firstDifference";
import { randomUse } from "./randomUse";

/** Random sequences for the builds of this computer, and the first of them for the simulated core, which is slower. */
const SEQUENCES = 2000;
const ON_THE_CORE = 400;

function record(design: Design, sequences: number) {
  let script = "";
  let expected = "";
  for (let seed = 1; seed <= sequences; seed++) {
    const run = recordScript(design, randomUse(design, seed));
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    script += run.value.script;
    expected += run.value.expected;
  }
  return { script, expected };
}

describe.each(wiredDemos)(`$name in ${SEQUENCES} random sequences`, (design) => {
  const folder = workFolder();
  const { script, expected } = record(design, SEQUENCES);
  const first = record(design, ON_THE_CORE);

  it("is used: there are several reports in a sequence", () => {
    expect(expected.split("\n").length).toBeGreaterThan(5 * SEQUENCES);
  });

  it.each(["gcc", "clang"] as const)("reports the same bytes at the same millisecond when built by %s", (compiler) => {
    const { output } = play(buildNative(compiler, design, folder), [], script);
    expect(firstDifference(output, expected)).toBeNull();
  });

  it("reports the same bytes at the same millisecond on the simulated 8-bit core", () => {
    const image = buildAvr(design, folder);
    const { output } = play(buildSimulator(folder), [image.binary], first.script);
    expect(firstDifference(output, first.expected)).toBeNull();
  });
});
