import { describe, expect, it } from "vitest";
import { edgeEncoders } from "@/core/firmware/edgeEncoders";
import { scanTableOf } from "@/core/firmware/scanTable";
import { wiredDemos } from "../support/designs";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { firstDifference } from "./firstDifference";
import { barePython, onPythonClass, playPython } from "./python";
import { recordLiveUse, withLive } from "./liveUse";

/** Wild talks of some twenty seconds each, and the first of them for the simulated core, which is slower. */
const TALKS = 40;
const ON_THE_CORE = 5;

async function record(design: Parameters<typeof recordLiveUse>[0], talks: number) {
  const runs = [];
  for (let seed = 1; seed <= talks; seed++) runs.push(await recordLiveUse(design, seed));
  return {
    script: runs.map(({ script }) => script).join(""),
    expected: runs.map(({ expected }) => expected).join(""),
  };
}

describe.each(wiredDemos.map(withLive))(`$name in ${TALKS} talks of live changes`, async (design) => {
  const folder = workFolder();
  const { script, expected } = await record(design, TALKS);

  it("is changed: sets are sealed, reports come, and the power fails", () => {
    // An end of a set that is answered well.
    expect(expected.match(/ live 07..01/g)?.length).toBeGreaterThan(TALKS / 4);
    expect(expected.match(/ keyboard | consumer | music /g)?.length).toBeGreaterThan(10 * TALKS);
    expect(script.match(/ off$/gm)?.length).toBeGreaterThan(TALKS / 4);
  });

  it.each(["gcc", "clang"] as const)("answers and reports the same when built by %s", (compiler) => {
    const { output } = play(buildNative(compiler, design, folder), [], script);
    expect(firstDifference(output, expected)).toBeNull();
  });

  it("answers and reports the same in Python", async () => {
    // Where pins interrupt, knobs are told by their edges; Python reads them once a scan.
    const isTold = edgeEncoders(design, scanTableOf(design)).length > 0;
    const there = isTold ? onPythonClass(design) : design;
    const all = isTold ? await record(there, TALKS) : { script, expected };
    const { output } = playPython(await barePython(there), all.script);
    expect(firstDifference(output, all.expected)).toBeNull();
  });

  it("answers and reports the same on the simulated 8-bit core", async () => {
    const first = await record(design, ON_THE_CORE);
    const image = buildAvr(design, folder);
    const { output } = play(buildSimulator(), [image.binary], first.script);
    expect(firstDifference(output, first.expected)).toBeNull();
  });
});
