import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { pad } from "../../../tests/support/designs";
import { demoDesigns } from "../../../demo";
import { derive } from "../derived/derive";
import { newDesign } from "../document/newDesign";
import { align, distribute } from "./arrange";
import { placeControls } from "../edits/controls";
import { type Design, outlineFollows } from "../document/schema";
import { boardRing, boardRings } from "./boardOutline";
import { outlineRing, ringAreaMm2 } from "../geometry/ring";
import { crossesItself, isWithin, wallMm } from "../geometry/ringSense";
import { clearanceMm } from "../geometry/clearance";
import { convexHull } from "../geometry/convexHull";
import { freeSpot } from "./freeSpot";
import { circle, placeOutline } from "../geometry/outline";
import { point } from "../geometry/point";
import { readingRows } from "../geometry/readingOrder";

describe("align and distribute", () => {
  const points = [point(0, 5), point(30, 9), point(10, 7)];

  it("puts centres on the middle line", () => expect(align(points, "y").map((p) => p.yMm)).toEqual([7, 7, 7]));
  it("leaves the other axis alone", () => expect(align(points, "y").map((p) => p.xMm)).toEqual([0, 30, 10]));
  it("makes even steps and keeps the ends and the order", () =>
    expect(distribute(points, "x").map((p) => p.xMm)).toEqual([0, 30, 15]));
  it("does nothing to two points that could be uneven", () =>
    expect(distribute(points.slice(0, 2), "x")).toEqual(points.slice(0, 2)));
});

describe("reading rows", () => {
  it("read from top to bottom, each from left to right, staggered columns together", () => {
    const things = [
      { id: "b", at: point(19, 3) },
      { id: "a", at: point(0, 0) },
      { id: "d", at: point(19, 22) },
      { id: "c", at: point(0, 19) },
    ];
    expect(readingRows(things, 9.5).map((row) => row.map((thing) => thing.id))).toEqual([
      ["a", "b"],
      ["c", "d"],
    ]);
  });

  it("hold every thing exactly once, whatever lies where", () => {
    const place = fc.record({ x: fc.integer({ min: 0, max: 200 }), y: fc.integer({ min: 0, max: 200 }) });
    fc.assert(
      fc.property(fc.array(place, { maxLength: 40 }), (places) => {
        const things = places.map(({ x, y }, i) => ({ id: String(i), at: point(x, y) }));
        const rows = readingRows(things, 9.5);
        expect(
          rows
            .flat()
            .map((thing) => thing.id)
            .sort(),
        ).toEqual(things.map((thing) => thing.id).sort());
        for (const row of rows)
          for (let i = 1; i < row.length; i++) expect(row[i].at.xMm).toBeGreaterThanOrEqual(row[i - 1].at.xMm);
      }),
    );
  });

  it("find Loom 64's rows across both halves", () => {
    const [, loom] = demoDesigns;
    const rows = readingRows(
      loom.controls.map((control) => ({ id: control.id, at: control.placement })),
      loom.pitch.yMm / 2,
    );
    expect(rows.map((row) => row.length)).toEqual([12, 12, 12, 12, 12, 4]);
  });
});

describe("convex hull", () => {
  it("leaves inner points out", () => {
    const hull = convexHull([point(0, 0), point(10, 0), point(10, 10), point(0, 10), point(5, 5), point(5, 0)]);
    expect(hull).toHaveLength(4);
  });

  it("has every point on or within its edges", () => {
    const coordinate = fc.integer({ min: -50, max: 50 });
    fc.assert(
      fc.property(fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 30 }), (pairs) => {
        const points = pairs.map(([x, y]) => point(x, y));
        const hull = convexHull(points);
        for (const p of points) {
          hull.forEach((a, i) => {
            const b = hull[(i + 1) % hull.length];
            const turn = (b.xMm - a.xMm) * (p.yMm - a.yMm) - (b.yMm - a.yMm) * (p.xMm - a.xMm);
            expect(turn).toBeGreaterThanOrEqual(-1e-9);
          });
        }
      }),
    );
  });
});

describe.each(outlineFollows)("the edge of a board that follows as a %s", (follows) => {
  const following = (design: Design) => ({ ...design, boards: design.boards.map((board) => ({ ...board, follows })) });

  it.each([pad(), ...demoDesigns])("keeps its margin around everything on $name", (design) => {
    const all = following(design);
    design.boards.forEach((board, nth) => {
      const edge = boardRings(all)[nth];
      if (!edge || board.outline) return;
      expect(crossesItself(edge)).toBe(false);
      derive(all).capPieces.forEach(({ owner, outline }) => {
        if (all.controls[owner].placement.boardId !== board.id) return;
        const ring = outlineRing(outline);
        expect(isWithin(ring, edge)).toBe(true);
        // A rounded corner comes nearer than a straight side, by at most its share of the radius.
        expect(wallMm(ring, edge)).toBeGreaterThan(board.marginMm - 0.42 * Math.max(0, board.cornerRadiusMm) - 0.05);
      });
    });
  });

  it("is none for a board that carries nothing", () =>
    expect(boardRing(following(newDesign("d", "D")), "panel")).toBeNull());
});

describe("what an edge encloses", () => {
  const area = (follows: (typeof outlineFollows)[number]) => {
    const far = placeControls(pad(), new Map([["k1", { xMm: -60, yMm: -60, rotationDeg: 0 }]]));
    return ringAreaMm2(boardRing({ ...far, boards: far.boards.map((board) => ({ ...board, follows })) }, "panel")!);
  };

  it("is least when it follows closely, and most as a rectangle; one part far away is joined by a strip", () => {
    expect(area("close")).toBeLessThan(area("hull"));
    expect(area("hull")).toBeLessThan(area("rectangle"));
  });

  it("is as before where a drawn corner comes twice", () => {
    const drawn = [point(-30, -30), point(90, -30), point(90, 90), point(-30, 90)];
    const ring = (outline: typeof drawn) =>
      boardRing({ ...pad(), boards: [{ ...pad().boards[0], outline, cornerRadiusMm: 4 }] }, "panel")!;
    expect(ringAreaMm2(ring([drawn[0], drawn[0], ...drawn.slice(1)]))).toBeCloseTo(ringAreaMm2(ring(drawn)), 6);
  });
});

describe("the next free spot", () => {
  it("is the origin on an empty mat", () => expect(freeSpot(newDesign("d", "D"), "key", null)).toEqual(point(0, 0)));

  it("passes what is there already", () => {
    const design = pad();
    const spot = freeSpot(design, "key", "k1");
    expect(spot).toEqual(point(3 * 19.05, 0));
    for (const cap of derive(design).caps)
      expect(clearanceMm(cap, placeOutline(circle(18), { ...spot, rotationDeg: 0 }))).toBeGreaterThan(0);
  });
});
