import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clearanceMm } from "./clearance";
import { closePairs } from "./closePairs";
import { type Outline, boundsOf, circle, placeOutline, roundedRectangle } from "./outline";
import { type Point, distanceMm, place, point } from "./point";

const at = (xMm: number, yMm: number, rotationDeg = 0) => ({ xMm, yMm, rotationDeg });
const square = roundedRectangle(10, 10, 0);

describe("clearance", () => {
  it("of two squares side by side is the gap", () => {
    expect(clearanceMm(square, placeOutline(square, at(13, 2)))).toBeCloseTo(3, 9);
  });

  it("of two squares corner to corner is the diagonal", () => {
    expect(clearanceMm(square, placeOutline(square, at(13, 14)))).toBeCloseTo(5, 9);
  });

  it("of a turned square counts its corner", () => {
    const turned = placeOutline(square, at(20, 0, 45));
    expect(clearanceMm(square, turned)).toBeCloseTo(20 - 5 - 5 * Math.SQRT2, 9);
  });

  it("of circles is the centres' distance less the radii", () => {
    expect(clearanceMm(circle(8), placeOutline(circle(4), at(10, 0)))).toBeCloseTo(4, 9);
  });

  it("is negative by the depth when they overlap, also when one lies in the other", () => {
    expect(clearanceMm(square, placeOutline(square, at(9, 0)))).toBeCloseTo(-1, 9);
    expect(clearanceMm(square, placeOutline(roundedRectangle(2, 2, 0), at(0, 0)))).toBeLessThan(0);
    expect(clearanceMm(square, circle(2))).toBeLessThan(0);
  });

  it("does not depend on where and how the pair lies together", () => {
    const coordinate = fc.double({ min: -60, max: 60, noNaN: true });
    const turn = fc.double({ min: -180, max: 180, noNaN: true });
    fc.assert(
      fc.property(coordinate, coordinate, turn, turn, coordinate, (x, y, own, together, shift) => {
        const other = placeOutline(roundedRectangle(12, 6, 1), at(x, y, own));
        const before = clearanceMm(square, other);
        const moved = (outline: Outline) => placeOutline(outline, at(shift, -shift, together));
        expect(clearanceMm(moved(square), moved(other))).toBeCloseTo(before, 6);
      }),
    );
  });

  it("equals the least distance between many points of both rims, when they are apart", () => {
    const rimOf = (outline: Outline): Point[] =>
      outline.core.flatMap((from, i) => {
        const to = outline.core[(i + 1) % outline.core.length];
        return Array.from({ length: 60 }, (_, k) =>
          point(from.xMm + ((to.xMm - from.xMm) * k) / 60, from.yMm + ((to.yMm - from.yMm) * k) / 60),
        );
      });
    const arbitrary = fc.record({
      x: fc.integer({ min: 18, max: 60 }),
      y: fc.integer({ min: -60, max: 60 }),
      turn: fc.integer({ min: 0, max: 359 }),
    });
    fc.assert(
      fc.property(arbitrary, ({ x, y, turn }) => {
        const other = placeOutline(roundedRectangle(14, 8, 0), at(x, y, turn));
        const least = Math.min(...rimOf(square).flatMap((p) => rimOf(other).map((q) => distanceMm(p, q))));
        const gap = clearanceMm(square, other);
        expect(gap).toBeLessThanOrEqual(least + 1e-9);
        expect(gap).toBeGreaterThan(least - 0.3);
      }),
      { numRuns: 60 },
    );
  });
});

describe("close pairs", () => {
  it("are those that measuring every pair finds", () => {
    const shape = fc.record({
      x: fc.integer({ min: 0, max: 80 }),
      y: fc.integer({ min: 0, max: 80 }),
      turn: fc.integer({ min: 0, max: 90 }),
    });
    fc.assert(
      fc.property(fc.array(shape, { maxLength: 14 }), fc.integer({ min: 0, max: 6 }), (shapes, within) => {
        const outlines = shapes.map(({ x, y, turn }) => placeOutline(roundedRectangle(14, 9, 1), at(x, y, turn)));
        const all = outlines.flatMap((a, i) =>
          outlines.slice(i + 1).map((b, k) => ({ a: i, b: i + 1 + k, clearanceMm: clearanceMm(a, b) })),
        );
        expect(closePairs(outlines, within)).toEqual(all.filter((pair) => pair.clearanceMm < within));
      }),
    );
  });
});

describe("close pairs of a crowd", () => {
  const crowd = Array.from({ length: 400 }, () => placeOutline(roundedRectangle(14, 14, 0), at(0, 0, 0)));
  it("are at most so many for each", () => {
    const pairs = closePairs(crowd, 0, 10);
    const counts = crowd.map((_, nth) => pairs.filter(({ a, b }) => a === nth || b === nth).length);
    expect(Math.max(...counts)).toBe(10);
    expect(Math.min(...counts)).toBeGreaterThanOrEqual(1);
  });
});

describe("placing", () => {
  it("keeps distances", () => {
    const number = fc.integer({ min: -500, max: 500 });
    fc.assert(
      fc.property(number, number, number, number, number, (x1, y1, x2, y2, turn) => {
        const where = at(3, -7, turn);
        expect(distanceMm(place(point(x1, y1), where), place(point(x2, y2), where))).toBeCloseTo(
          Math.hypot(x1 - x2, y1 - y2),
          6,
        );
      }),
    );
  });

  it("turns clockwise as seen on the mat", () => {
    const turned = place(point(1, 0), at(0, 0, 90));
    expect([turned.xMm, turned.yMm].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([0, 1]);
  });

  it("bounds round shapes by their rim", () =>
    expect(boundsOf([circle(10)])).toEqual({ minXMm: -5, minYMm: -5, maxXMm: 5, maxYMm: 5 }));
  it("has no bounds for nothing", () => expect(boundsOf([])).toBeNull());
});
