import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { interpreterScan, interpreterWork } from "@/core/firmware/interpreterCost";
import { SHARE_BETWEEN_LOOKS } from "@/core/firmware/interpretedParts";
import { scanTableOf } from "@/core/firmware/scanTable";
import { wireAs } from "@/core/edits/wiring";
import { isOnBus } from "@/core/document/partLinks";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import { partFolder } from "@/core/targets/python/partFolder";
import { modularDesigns } from "../../demo";
import { keyBlock, wiredDemos } from "../support/designs";
import { loom, onTwo } from "../support/twoParts";
import { boardPads, linePairPad, pads } from "./circuitPads";
import { recordParts } from "./partScripts";
import { playedModules } from "./playedModules";
import { allOnPythonClass, onBoard, onPartsBoard, onPythonClass, unpackPython } from "./python";

beforeAll(bringInlineRuntime);

const demos = wiredDemos.map((design): [string, Design] => [design.name, design]);
const pairs: [string, Design] = ["lamps between line pairs", linePairPad];
/** Not among the designs that the figures were fitted to. */
const block = keyBlock(9, 5);
const keys = block.controls.map(({ id }) => `${id}:press`);
const fresh: [string, Design][] = [
  ["45 keys on registers", wireAs(block, "input-registers", keys)],
  ["45 keys on multiplexers", wireAs(block, "multiplexer", keys)],
  ["45 keys on expanders", wireAs(block, "expander", keys)],
  ["45 keys on ladders", wireAs(block, "ladder", keys)],
];
const NEAR = 1 / 30;

describe.each([...demos, ...pads, ...boardPads, pairs, ...fresh])("the work of a scan of %s", (_, pad) => {
  it("is what the interpreter is seen to do", async () => {
    const design = onPythonClass(pad);
    const quietMs = scanTableOf(design).displays.length > 0 ? 900 : 40; // until all is drawn
    const { output } = onBoard(design, await unpackPython(design), `${quietMs} end\n`, "count");
    const [, steps, calls] = /^steps (\d+) calls (\d+)$/m.exec(output)!.map(Number);
    const work = interpreterWork(design, scanTableOf(design));
    expect(work.calls).toBe(calls);
    expect(Math.abs(work.steps - steps) / steps).toBeLessThan(NEAR);
  });
});

/** What one part of a device does in the busiest of some scans: it tells, and hears what its others say again and again. */
async function busiest(design: Design, part: number) {
  const folder = join(await unpackPython(design), partFolder(design, part));
  const isBus = isOnBus(design);
  const deeds = recordParts(design, (device) => device.runUntil(60))[part].script.split("\n");
  const heard = deeds.flatMap((line) => / linked (\w+)$/.exec(line)?.[1] ?? []).at(-1)!;
  const said = isBus && part === 0 ? playedModules(design, 1, 0).deeds.map(({ order }) => order) : [];
  const modules = said.filter(
    (order, nth) => /^module/.test(order) && said.findIndex((one) => one.slice(0, 8) === order.slice(0, 8)) === nth,
  );
  const script = modules.map((order) => `0 ${order}\n`).join("");
  // A module is told in every second millisecond: in the others it would hear what waits for it between two scans, too.
  const toModule = (ms: number) => (part > 0 && ms % 2 ? `${ms} all ${part} ${heard}\n` : "");
  const each = (ms: number) => (isBus ? toModule(ms) : `${ms} linked ${heard}\n`);
  const until = (ms: number) => script + Array.from({ length: ms }, (_, nth) => each(nth)).join("") + `${ms} end\n`;
  const seen = [60, 61, 62, 63].map((ms) => {
    const { output } = onPartsBoard(design, part, folder, until(ms), "count");
    const [, steps, calls] = /^steps (\d+) calls (\d+)$/m.exec(output)!.map(Number);
    return { steps, calls, betweenLooks: Number(/^between looks (\d+)$/m.exec(output)![1]) };
  });
  return {
    ...seen.reduce((most, one) => (one.steps > most.steps ? one : most)),
    betweenLooks: Math.max(...seen.map((one) => one.betweenLooks)),
  };
}

const inParts: [string, Design][] = [
  ["a keyboard of two", onTwo(loom)],
  ["a base and its modules", allOnPythonClass(modularDesigns[0])],
];
const NEAR_IN_PARTS = 1 / 20;

describe.each(inParts)("the work of a scan of a part of %s", (_, design) => {
  it.each([...design.controllers.keys()])(
    "is what the interpreter is seen to do when it tells and hears (%i)",
    async (part) => {
      const { steps, calls, betweenLooks } = await busiest(design, part);
      const work = interpreterWork(design, scanTableOf(design), part);
      expect(work.calls).toBe(calls);
      expect(betweenLooks / work.steps).toBeLessThan(SHARE_BETWEEN_LOOKS);
      if (isOnBus(design) && part > 0) expect(betweenLooks / work.steps).toBeGreaterThan(SHARE_BETWEEN_LOOKS / 2);
      expect(Math.abs(work.steps - steps) / steps).toBeLessThan(NEAR_IN_PARTS);
    },
  );
});

describe("the time of a scan", () => {
  const on = (design: Design, id: string) =>
    interpreterScan(
      design,
      scanTableOf(design),
      controllerCatalogue.find((profile) => profile.id === id)!,
    );

  it("is a range, longer on a slower clock", () => {
    const [quick, slow] = ["dual-core-3v3-26", "wireless-3v3-20"].map((id) => on(wiredDemos[0], id));
    expect(quick.mostMs).toBeGreaterThan(2 * quick.leastMs);
    expect(slow.leastMs).toBeGreaterThan(1.9 * quick.leastMs);
  });

  it("is judged: a small pad is good, a panel is slow, a wall of keys too much", () => {
    const wall = keyBlock(25, 10);
    const onRegisters = wireAs(
      wall,
      "input-registers",
      wall.controls.map(({ id }) => `${id}:press`),
    );
    expect(
      on(
        wiredDemos.find(({ id }) => id === "kestrel")!,
        "dual-core-3v3-26",
      ).verdict,
    ).toBe("good");
    expect(
      on(
        wiredDemos.find(({ id }) => id === "glasshouse")!,
        "dual-core-3v3-26",
      ).verdict,
    ).toBe("slow");
    expect(on(onRegisters, "wireless-3v3-20").verdict).toBe("too-much");
  });
});
