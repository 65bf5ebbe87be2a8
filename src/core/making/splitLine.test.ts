import { describe, expect, it } from "vitest";
import { keyBlock } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { addGroup } from "../edits/groups";
import { newDesign } from "../document/newDesign";
import { findingsOf } from "../findings/check";
import { readDesign } from "../document/readDesign";
import { boardRing } from "../layout/boardOutline";
import { distanceMm, point } from "../geometry/point";
import { outlineRing, ringAreaMm2 } from "../geometry/ring";
import { boardFits } from "./fit";
import { applySplit } from "../edits/split";
import { proposeSplits } from "./splitLine";

let n = 0;
const fresh = () => `n${(n += 1)}`;
const typing = addGroup(
  newDesign("d", "D"),
  {
    name: "Typing block",
    kind: "key",
    at: { xMm: 0, yMm: 0, rotationDeg: 0, boardId: "panel" },
    shape: { shape: "typing-block", tallEnter: true, extraKey: true },
  },
  fresh,
).design;
const [bed] = typing.making.beds;

describe("a board that does not fit its bed", () => {
  const proposals = proposeSplits(typing, "panel", bed);

  it("is told so, and how much too large it is", () => {
    const [fit] = boardFits(typing);
    expect(fit.beds.find((each) => each.bed.id === "bed")!.fit.fits).toBe(false);
    expect(fit.step!.id).toBe("large");
  });

  it("gets seams whose pieces fit, the first with the fewest steps aside", () => {
    expect(proposals[0].fits).toBe(true);
    const fitting = proposals.filter(({ fits }) => fits).map(({ jogs }) => jogs);
    expect(fitting).toEqual([...fitting].sort((a, b) => a - b));
  });

  it("is cut through no opening: every seam keeps 1.5 mm from all of them", () => {
    const openings = derive(typing).openings.map(({ outline }) => outlineRing(outline));
    for (const { seam } of proposals)
      for (let i = 1; i < seam.length; i++) {
        const [a, b] = [seam[i - 1], seam[i]];
        const steps = Math.ceil(distanceMm(a, b) / 0.5);
        for (let s = 0; s <= steps; s++) {
          const p = point(a.xMm + ((b.xMm - a.xMm) * s) / steps, a.yMm + ((b.yMm - a.yMm) * s) / steps);
          const nearest = Math.min(...openings.map((ring) => Math.min(...ring.map((q) => distanceMm(p, q)))));
          expect(nearest).toBeGreaterThan(1.5);
        }
      }
  });

  it("loses no area and no key when it is split", () => {
    const before = ringAreaMm2(boardRing(typing, "panel")!);
    const split = applySplit(typing, "panel", proposals[0], fresh);
    const rings = split.boards.map(({ id }) => boardRing(split, id)!);
    expect(rings.reduce((sum, ring) => sum + ringAreaMm2(ring), 0)).toBeCloseTo(before, 0);
    expect(split.controls).toHaveLength(typing.controls.length);
    expect(boardFits(split).every(({ beds }) => beds[0].fit.fits)).toBe(true);
    expect(findingsOf(split).map(({ rule }) => rule)).not.toContain("layout/outside-outline");
    expect(readDesign(JSON.parse(JSON.stringify(split))).ok).toBe(true);
  });

  it("has no seam where openings leave no way", () => {
    const dense = { ...keyBlock(6, 6), pitch: { xMm: 15.9, yMm: 15.9 } };
    const packed = {
      ...dense,
      controls: dense.controls.map((c) => ({
        ...c,
        placement: { ...c.placement, xMm: c.placement.xMm * 0.83, yMm: c.placement.yMm * 0.83 },
      })),
    };
    expect(proposeSplits(packed as typeof dense, "panel", { ...bed, widthMm: 60, heightMm: 60 })).toEqual([]);
  });
});
