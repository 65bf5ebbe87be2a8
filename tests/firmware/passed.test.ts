import { beforeAll, describe, expect, it } from "vitest";
import { STATUS } from "@/core/contract/live";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import type { PairedDevice } from "@/core/engine/pairedDevice";
import { partRecorder } from "@/core/engine/partScript";
import { deviceOf } from "@/core/engine/preparedDevice";
import { randomFrom } from "@/core/optimisation/random";
import { slotsOf, tellSet, unlock } from "../support/partTalk";
import { keysOf, loom, onTwo } from "../support/twoParts";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { firstDifference } from "./firstDifference";
import { someChanges, withLive } from "./liveUse";
import { barePython, playPython } from "./python";
import { joined } from "./recordedUses";

beforeAll(bringInlineRuntime);

const SEEDS = 300;
const FEWER_SEEDS = 12;
const design = withLive(onTwo(loom));
const keys = keysOf(design).flat();

/**
 * Sets are told to the part that the plug is in; keys are pressed, the line is cut, joined and damaged, the plug is moved, the power goes. Then all is well, for
 * as long as the longest set takes.
 */
function wildly(device: PairedDevice, seed: number): number {
  const random = randomFrom(seed);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)];
  const pass = (ms: number) => device.runUntil(device.nowMs + ms);
  const { layers } = design.keymap;
  let taken = 0;
  const tell = () => {
    const changes = someChanges(random, layers.length, device.scan.inputs.length);
    if (tellSet(device, changes).every((status) => status === STATUS.OK)) taken++;
  };
  unlock(device, design);
  tell();
  for (let nth = 0; nth < 12; nth++) {
    const what = random();
    if (what < 0.45) device.press(pick(keys), random() < 0.6);
    else if (what < 0.55) device.setLine({ isCut: true, oneDamagedOf: 0 });
    else if (what < 0.65) device.setLine({ isCut: false, oneDamagedOf: pick([0, 0, 10, 300]) });
    else if (what < 0.7) device.plugInto(pick([0, 1]));
    else if (what < 0.75) unlock(device, design);
    else if (what < 0.8) device.powerCut();
    else tell();
    pass(1 + Math.floor(random() * 300));
  }
  device.setLine({ isCut: false, oneDamagedOf: 0 });
  for (const id of keys) device.press(id, false);
  device.plugInto(pick([0, 1]));
  pass(3000);
  return taken;
}

function recorded(seed: number) {
  const recorder = partRecorder(design);
  const device = deviceOf(design, recorder.watch);
  const taken = wildly(device, seed);
  return { parts: recorder.end(device.nowMs), slots: slotsOf(device), taken };
}

describe(`live changes of two parts in ${SEEDS} wild uses`, () => {
  const folder = workFolder();
  const runs = Array.from({ length: SEEDS }, (_, seed) => recorded(seed + 1));

  it("are kept by both in the end", () => {
    let kept = 0;
    for (const [seed, { slots }] of runs.entries()) {
      expect(slots[0][0], `seed ${seed + 1}`).toBe(slots[1][0]);
      // One that was told by the other has no older one that could count at its start.
      expect(Math.min(slots[0].length, slots[1].length), `seed ${seed + 1}`).toBeLessThanOrEqual(1);
      if (slots[0].length > 0) kept++;
    }
    expect(kept).toBeGreaterThan(0.7 * SEEDS);
    expect(runs.reduce((sum, { taken }) => sum + taken, 0)).toBeGreaterThan(2 * SEEDS);
  });

  it.each(["gcc", "clang"] as const)(
    "give the same frames, answers, lamps and reports when built by %s",
    (compiler) => {
      const program = buildNative(compiler, design, folder);
      for (const part of [0, 1]) {
        const { script, expected } = joined(runs.map(({ parts }) => parts[part]));
        expect(firstDifference(play(program, [], script).output, expected), `part ${part}`).toBeNull();
        expect(expected.split("\n").filter((line) => line.includes(" live ")).length).toBeGreaterThan(SEEDS);
      }
    },
  );

  it("give the same on the 8-bit core and in Python", async () => {
    const { binary } = buildAvr(design, folder);
    const simulator = buildSimulator();
    const bare = await barePython(design);
    for (const part of [0, 1]) {
      const { script, expected } = joined(runs.slice(0, FEWER_SEEDS).map(({ parts }) => parts[part]));
      expect(firstDifference(play(simulator, [binary], script).output, expected), `part ${part}`).toBeNull();
      expect(firstDifference(playPython(bare, script).output, expected), `part ${part}, Python`).toBeNull();
    }
  });
});
