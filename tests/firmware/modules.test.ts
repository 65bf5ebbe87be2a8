import { beforeAll, describe, expect, it } from "vitest";
import { derive } from "@/core/derived/derive";
import { changeCalls } from "@/core/edits/controllers";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import type { PairedDevice as Device } from "@/core/engine/pairedDevice";
import { randomFrom } from "@/core/optimisation/random";
import { modularDesigns } from "../../demo";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { firstDifference } from "./firstDifference";
import { recordParts } from "./partScripts";
import { allOnPythonClass, barePython, playPython } from "./python";
import { joined } from "./recordedUses";

beforeAll(bringInlineRuntime);

const SEEDS = 2000;
const FEWER_SEEDS = 60;
const [dunlin] = modularDesigns;
const { elements } = derive(dunlin);
const keys = [...elements.values()].filter(({ kind }) => kind === "switch").map(({ id }) => id);
const knobs = [...elements.values()].filter(({ kind }) => kind === "quadrature").map(({ id }) => id);

/** A hand plays while modules are pulled off and put on, the bus is cut and damaged, and the plug is pulled. Then all is well and let go. */
function wildly(device: Device, seed: number) {
  const random = randomFrom(seed);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)];
  for (let nth = 0; nth < 25; nth++) {
    const what = random();
    if (what < 0.6) device.press(pick(keys), random() < 0.6);
    else if (what < 0.68) device.turn(pick(knobs), pick([-2, -1, 1, 3]));
    else if (what < 0.8) device.setAway(pick([1, 2]), random() < 0.5);
    else if (what < 0.86) device.setLine({ isCut: true, oneDamagedOf: 0 });
    else if (what < 0.93) device.setLine({ isCut: false, oneDamagedOf: pick([0, 10]) });
    else device.plugInto(pick([0, null]));
    device.runUntil(device.nowMs + 1 + Math.floor(random() * 25));
  }
  device.setLine({ isCut: false, oneDamagedOf: 0 });
  device.plugInto(0);
  for (const part of [1, 2]) device.setAway(part, false);
  device.runUntil(device.nowMs + 40);
  for (const id of keys) device.press(id, false);
  device.runUntil(device.nowMs + 250);
}

describe.each(["shared", "own"] as const)(`modules that call on %s lines, in ${SEEDS / 2} wild uses`, (calls) => {
  const design = changeCalls(dunlin, calls);
  const folder = workFolder();
  const first = calls === "shared" ? 0 : SEEDS / 2;
  const runs = Array.from({ length: SEEDS / 2 }, (_, seed) =>
    recordParts(design, (device) => wildly(device, first + seed + 1)),
  );

  it("leave no key down: what the base told last is all up", () => {
    let told = 0;
    for (const [seed, [base]] of runs.entries()) {
      const last = base.expected.split("\n").findLast((line) => line.includes(" keyboard "));
      if (last === undefined) continue;
      told++;
      expect(last.split(" ")[2], `seed ${first + seed + 1}`).toBe("0".repeat(16));
    }
    expect(told).toBeGreaterThan(SEEDS / 4);
  });

  it.each(["gcc", "clang"] as const)("ask, call, tell and show the same when built by %s", (compiler) => {
    const program = buildNative(compiler, design, folder);
    for (const part of [0, 1, 2]) {
      const { script, expected } = joined(runs.map((all) => all[part]));
      expect(firstDifference(play(program, [], script).output, expected), `part ${part}`).toBeNull();
      expect(expected.match(part === 0 ? / asks [12]$/gm : / calls$/gm)!.length).toBeGreaterThan(SEEDS);
    }
  });

  it("do the same on the 8-bit core", () => {
    const { binary } = buildAvr(design, folder);
    const simulator = buildSimulator();
    for (const part of [0, 1, 2]) {
      const { script, expected } = joined(runs.slice(0, FEWER_SEEDS).map((all) => all[part]));
      expect(firstDifference(play(simulator, [binary], script).output, expected), `part ${part}`).toBeNull();
    }
  });

  it("do the same in Python", async () => {
    const there = allOnPythonClass(design);
    const python = await barePython(there);
    const some = Array.from({ length: FEWER_SEEDS }, (_, seed) =>
      recordParts(there, (device) => wildly(device, first + seed + 1)),
    );
    for (const part of [0, 1, 2]) {
      const { script, expected } = joined(some.map((all) => all[part]));
      expect(firstDifference(playPython(python, script).output, expected), `part ${part}`).toBeNull();
    }
  });
});
