import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clearanceMm } from "./clearance";
import { depthMm } from "./depth";
import { circle, placeOutline, roundedRectangle } from "./outline";
import { point } from "./point";

describe("how deep a point lies in an outline", () => {
  it("is told by hand", () => {
    const box = roundedRectangle(10, 6, 1);
    expect(depthMm(box, point(0, 0))).toBeCloseTo(3, 9);
    expect(depthMm(box, point(4, 0))).toBeCloseTo(1, 9);
    expect(depthMm(box, point(7, 0))).toBeCloseTo(-2, 9);
    expect(depthMm(box, point(5, 3))).toBeCloseTo(1 - Math.SQRT2, 9);
    expect(depthMm(circle(4), point(3, 0))).toBeCloseTo(-1, 9);
    expect(depthMm({ core: [point(0, 0), point(4, 0)], radiusMm: 1 }, point(2, 0.5))).toBeCloseTo(0.5, 9);
  });

  it("is the clearance of a point, outside", () => {
    const size = fc.double({ min: 2, max: 40, noNaN: true });
    const place = fc.double({ min: -60, max: 60, noNaN: true });
    fc.assert(
      fc.property(size, size, place, place, fc.integer({ min: 0, max: 359 }), (width, height, x, y, rotationDeg) => {
        const outline = placeOutline(roundedRectangle(width, height, 0.5), { xMm: 3, yMm: -2, rotationDeg });
        const depth = depthMm(outline, point(x, y));
        const clear = clearanceMm(outline, placeOutline(circle(0), { xMm: x, yMm: y, rotationDeg: 0 }));
        if (clear > 0.01) expect(depth).toBeCloseTo(-clear, 6);
        else if (clear < -0.01) expect(depth).toBeGreaterThan(0);
      }),
    );
  });
});
