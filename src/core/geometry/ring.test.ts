import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { convexHull } from "./convexHull";
import { grown, offsetRing, rounded } from "./offsetRing";
import { circle, roundedRectangle } from "./outline";
import { distanceMm, point } from "./point";
import {
  clockwise,
  filletRing,
  isClockwise,
  isInside,
  offsetConvex,
  outlineRing,
  ringAreaMm2,
  ringCentre,
} from "./ring";

const square = [point(0, 0), point(10, 0), point(10, 10), point(0, 10)];
const spread = fc.array(fc.tuple(fc.integer({ min: -80, max: 80 }), fc.integer({ min: -80, max: 80 })), {
  minLength: 3,
  maxLength: 14,
});
const hulls = spread
  .map((pairs) => convexHull(pairs.map(([x, y]) => point(x, y))))
  .filter((hull) => hull.length > 2 && ringAreaMm2(hull) > 20);

describe("rings", () => {
  it("of outlines have the area of the exact shape, as near as the chords are", () => {
    expect(ringAreaMm2(outlineRing(circle(10)))).toBeCloseTo(Math.PI * 25, 0);
    const corners = 4 * 4 - Math.PI * 4;
    expect(Math.abs(ringAreaMm2(outlineRing(roundedRectangle(20, 10, 2))) - (200 - corners))).toBeLessThan(0.3);
  });

  it("of outlines run clockwise and lie on the outline", () =>
    fc.assert(
      fc.property(hulls, fc.double({ min: 0.5, max: 9, noNaN: true }), (core, radiusMm) => {
        const ring = outlineRing({ core, radiusMm });
        expect(isClockwise(ring)).toBe(true);
        for (const p of ring) {
          const nearest = Math.min(...core.map((corner) => distanceMm(p, corner)));
          expect(nearest).toBeGreaterThan(radiusMm - 1e-6);
        }
      }),
    ));

  it("know their inside and their centre", () => {
    expect(isInside(point(5, 5), square)).toBe(true);
    expect(isInside(point(11, 5), square)).toBe(false);
    expect(ringCentre(square)).toEqual(point(5, 5));
    expect(ringCentre([...square].reverse())).toEqual(point(5, 5));
  });

  it("lose at their corners what a fillet accepts: (4 − π) r² of a square", () =>
    expect(100 - ringAreaMm2(filletRing(square, 2, 0.001))).toBeCloseTo((4 - Math.PI) * 4, 1));

  it("keep inner corners when filleted: an L grows there and shrinks elsewhere", () => {
    const ell = clockwise([point(0, 0), point(20, 0), point(20, 8), point(8, 8), point(8, 20), point(0, 20)]);
    // Five outer corners lose, one inner corner gains (1 − π/4) r².
    const lost = ringAreaMm2(ell) - ringAreaMm2(filletRing(ell, 2, 0.001));
    expect(lost).toBeCloseTo(4 * (1 - Math.PI / 4) * 4, 1);
  });
});

describe("moving edges", () => {
  it("of a square outwards makes a larger square with sharp corners, inwards a smaller one, then nothing", () => {
    expect(ringAreaMm2(offsetConvex(square, 2))).toBeCloseTo(14 * 14, 6);
    expect(ringAreaMm2(offsetConvex(square, -2))).toBeCloseTo(36, 6);
    expect(offsetConvex(square, -6).length).toBeLessThan(3);
  });

  it("there and back again is the same shape, for every convex polygon", () =>
    fc.assert(
      fc.property(hulls, fc.double({ min: 0.1, max: 5, noNaN: true }), (hull, by) => {
        const back = offsetConvex(offsetConvex(hull, by), -by);
        expect(ringAreaMm2(back)).toBeCloseTo(ringAreaMm2(hull), 3);
      }),
    ));

  it("of a ring by a kerf changes a rectangle by the kerf on both sides", () => {
    const ring = offsetRing([point(0, 0), point(30, 0), point(30, 12), point(0, 12)], 0.1);
    expect(ringAreaMm2(ring)).toBeCloseTo(30.2 * 12.2, 6);
  });

  it("shrinks outlines to nothing rather than turning them inside out", () => {
    expect(grown(circle(3), -2)).toBeNull();
    expect(grown(roundedRectangle(14, 14, 0.3), -8)).toBeNull();
    expect(grown(roundedRectangle(14, 14, 0.3), 1)!.radiusMm).toBeCloseTo(1.3, 9);
  });

  it("rounds corners without changing the size", () => {
    const opening = rounded(roundedRectangle(14, 14, 0), 1);
    const xs = outlineRing(opening).map((p) => p.xMm);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(14, 6);
    expect(opening.radiusMm).toBe(1);
  });
});
