import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { controllerCatalogue } from "@/core/catalogue/controllers";
import { interpreterScan, interpreterWork } from "@/core/firmware/interpreterCost";
import { scanTableOf } from "@/core/firmware/scanTable";
import { wireAs } from "@/core/edits/wiring";
import { keyBlock, wiredDemos } from "../support/designs";
import { boardPads, linePairPad, pads } from "./circuitPads";
import { onBoard, onPythonClass, unpackPython } from "./python";

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
