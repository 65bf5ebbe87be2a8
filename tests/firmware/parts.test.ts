import { beforeAll, describe, expect, it } from "vitest";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import type { PairedDevice as Device } from "@/core/engine/pairedDevice";
import { randomFrom } from "@/core/optimisation/random";
import { keysOf, loom, onTwo } from "../support/twoParts";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { barePython, playPython } from "./python";
import { firstDifference } from "./firstDifference";
import { joined } from "./recordedUses";
import { recordParts } from "./partScripts";

beforeAll(bringInlineRuntime);

const SEEDS = 2000;
const FEWER_SEEDS = 100;
const design = onTwo(loom);
const keys = keysOf(design).flat();

/** A hand plays; the line is cut, joined and damaged, and the plug goes from part to part. Then all is well and let go. */
function wildly(device: Device, seed: number) {
  const random = randomFrom(seed);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)];
  for (let nth = 0; nth < 25; nth++) {
    const what = random();
    if (what < 0.65) device.press(pick(keys), random() < 0.6);
    else if (what < 0.75) device.setLine({ isCut: true, oneDamagedOf: 0 });
    else if (what < 0.85) device.setLine({ isCut: false, oneDamagedOf: 0 });
    else if (what < 0.93) device.setLine({ isCut: false, oneDamagedOf: 10 });
    else device.plugInto(pick([0, 1, null]));
    device.runUntil(device.nowMs + 1 + Math.floor(random() * 25));
  }
  device.setLine({ isCut: false, oneDamagedOf: 0 });
  device.plugInto(pick([0, 1]));
  device.runUntil(device.nowMs + 40);
  for (const id of keys) device.press(id, false);
  device.runUntil(device.nowMs + 250);
}

/** The millisecond of the last line that holds some words; -1 without. */
const lastOf = (script: string, words: string) =>
  parseInt(
    script
      .split("\n")
      .filter((line) => line.includes(words))
      .at(-1) ?? "-1",
  );

describe(`two parts in ${SEEDS} wild uses`, () => {
  const folder = workFolder();
  const runs = Array.from({ length: SEEDS }, (_, seed) => recordParts(design, (device) => wildly(device, seed + 1)));

  it("leave no key down: what the part that speaks told last, since it was set up, is all up", () => {
    let told = 0;
    for (const [seed, parts] of runs.entries()) {
      const setUps = parts.map(({ script }) => lastOf(script, " setup 1"));
      const newest = setUps[1] > setUps[0] ? 1 : 0;
      const reports = parts[newest].expected.split("\n").filter((line) => line.includes(" keyboard "));
      const last = reports.filter((line) => parseInt(line) >= setUps[newest]).at(-1);
      if (last === undefined) continue;
      told++;
      expect(last.split(" ")[2], `seed ${seed + 1}`).toBe("0".repeat(16));
    }
    expect(told).toBeGreaterThan(SEEDS / 2);
  });

  it.each(["gcc", "clang"] as const)("give the same frames, lamps and reports when built by %s", (compiler) => {
    const program = buildNative(compiler, design, folder);
    for (const part of [0, 1]) {
      const { script, expected } = joined(runs.map((both) => both[part]));
      const { output } = play(program, [], script);
      expect(firstDifference(output, expected), `part ${part}`).toBeNull();
      expect(expected.split("\n").length).toBeGreaterThan(100 * SEEDS);
    }
  });

  it("give the same on the 8-bit core", () => {
    const { binary } = buildAvr(design, folder);
    const simulator = buildSimulator();
    for (const part of [0, 1]) {
      const { script, expected } = joined(runs.slice(0, FEWER_SEEDS).map((both) => both[part]));
      expect(firstDifference(play(simulator, [binary], script).output, expected), `part ${part}`).toBeNull();
    }
  });

  it("give the same in Python", async () => {
    const bare = await barePython(design);
    for (const part of [0, 1]) {
      const { script, expected } = joined(runs.slice(0, FEWER_SEEDS).map((both) => both[part]));
      expect(firstDifference(playPython(bare, script).output, expected), `part ${part}`).toBeNull();
    }
  });
});
