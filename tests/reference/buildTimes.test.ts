import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { assemblyOf } from "@/core/assembly/assembly";
import { paceOf } from "@/core/assembly/pace";
import { totalSpan } from "@/core/assembly/time";
import { keyBlock, withDiodes } from "../support/designs";
import { chooseController } from "@/core/edits/pins";
import { shareOutMatrix } from "@/core/edits/shareOutMatrix";
import { setBoardWay } from "@/core/edits/build";

const wish = { pace: paceOf([]), device: 1, learning: 0.8 };

describe("times that builders tell", () => {
  it("five hours for wiring about 65 keys by hand, the first time (common practice)", () => {
    const block = chooseController(
      withDiodes(shareOutMatrix(keyBlock(13, 5), "as-laid-out"), "column-to-row"),
      "dual-core-3v3-26",
    );
    for (const design of [block, demoDesigns.find(({ id }) => id === "loom-64")!]) {
      const soldered = assemblyOf(design).steps.filter(({ sort }) => sort === "wire" || sort === "small-part");
      const { low, middle, high } = totalSpan(soldered, wish);
      expect(middle).toBeGreaterThan(4.25 * 60);
      expect(middle).toBeLessThan(5.75 * 60);
      expect(low).toBeLessThan(5 * 60);
      expect(high).toBeGreaterThan(5 * 60);
    }
  });

  it("two hours for a made board of 68 keys once one has done it (common practice): within the spread of a second one", () => {
    const keys = keyBlock(17, 4);
    const block = chooseController(
      withDiodes(shareOutMatrix(keys, "as-laid-out"), "column-to-row"),
      "dual-core-3v3-26",
    );
    const made = block.boards.reduce((design, { id }) => setBoardWay(design, id, { way: "made-board" }), block);
    const atTheBoard = assemblyOf(made).steps.filter(({ tool }) => tool !== "machine");
    const { low, high } = totalSpan(atTheBoard, { ...wish, device: 2 });
    expect(low).toBeLessThan(2 * 60);
    expect(high).toBeGreaterThan(2 * 60);
  });
});
