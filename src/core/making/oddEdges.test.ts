import { describe, expect, it } from "vitest";
import { keyBlock } from "../../../tests/support/designs";
import { changeBoard } from "../edits/boards";
import { placeControls } from "../edits/controls";
import type { Design } from "../document/schema";
import { artifactNamed } from "../exports/registry";
import { boardRing } from "../layout/boardOutline";
import { ringAreaMm2 } from "../geometry/ring";
import { plateDrawings } from "./plateDrawing";
import { plateSolid } from "./solid";
import { proposeSplits } from "./splitLine";

const drawn = (design: Design, ...corners: [number, number][]) =>
  changeBoard(design, "panel", { outline: corners.map(([xMm, yMm]) => ({ xMm, yMm })), cornerRadiusMm: 0 });

/** Edges of a surface that do not lie on exactly two triangles. */
function openEdges(design: Design): number | string {
  const solid = plateSolid(plateDrawings(design, true)[0], design.making.reinforceMm);
  if (!solid.ok) return solid.problems[0].message;
  const count = new Map<string, number>();
  for (const triangle of solid.value)
    triangle.forEach((corner, nth) => {
      const ends = [corner.join(), triangle[(nth + 1) % 3].join()].sort().join(" ");
      count.set(ends, (count.get(ends) ?? 0) + 1);
    });
  return [...count.values()].filter((n) => n !== 2).length;
}

describe("a seam through a U-shaped board", () => {
  // Keys in both arms and the floor of a U that is open at the top.
  const keys = keyBlock(4, 3);
  const arms = placeControls(
    keys,
    new Map(
      keys.controls.map(({ id }, nth) => [
        id,
        {
          xMm: [10, 10, 10, 40, 70, 100, 140, 140, 140, 40, 70, 100][nth],
          yMm: [10, 40, 70, 110, 110, 110, 10, 40, 70, 130, 130, 130][nth],
          rotationDeg: 0,
        },
      ]),
    ),
  );
  const u = drawn(arms, [-10, -10], [30, -10], [30, 90], [120, 90], [120, -10], [160, -10], [160, 150], [-10, 150]);
  const whole = ringAreaMm2(boardRing(u, "panel")!);

  it("loses nothing: both pieces are together the whole, and carry all keys", () => {
    const proposals = proposeSplits(u, "panel", { id: "b", name: "Bed", widthMm: 120, heightMm: 200 });
    expect(proposals.length).toBeGreaterThan(0);
    for (const { pieces } of proposals) {
      const area = pieces.reduce((sum, { ring }) => sum + ringAreaMm2(ring), 0);
      expect(Math.abs(area - whole)).toBeLessThan(0.01 * whole);
      expect(pieces.flatMap(({ controlIds }) => controlIds).sort()).toEqual(u.controls.map(({ id }) => id).sort());
    }
  });
});

describe("a printed plate with an odd edge", () => {
  const keys = keyBlock(3, 2);

  it("is closed where the edge is sound, also with a corner that comes twice", () => {
    expect(openEdges(drawn(keys, [-20, -20], [60, -20], [60, 40], [-20, 40]))).toBe(0);
    expect(openEdges(drawn(keys, [-20, -20], [-20, -20], [60, -20], [60, 40], [-20, 40]))).toBe(0);
  });

  it("is refused with the true reason where the edge crosses itself", () => {
    expect(openEdges(drawn(keys, [-20, -20], [60, 40], [60, -20], [-20, 40]))).toMatch(
      /^has an edge that crosses itself/,
    );
  });

  it("is refused where a notch reaches into an opening between its corners", () => {
    const notched = drawn(keys, [-20, -20], [-1, -20], [0, 2], [1, -20], [60, -20], [60, 40], [-20, 40]);
    expect(openEdges(notched)).toMatch(/openings that run across its edge/);
  });

  it("says so over the export too", async () => {
    const made = await artifactNamed("plate-stl")!.make(drawn(keys, [-20, -20], [60, 40], [60, -20], [-20, 40]));
    expect(made).toMatchObject({ ok: false });
  });
});
