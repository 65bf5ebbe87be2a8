import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { distanceMm, point, rotate } from "./point";
import { isInside } from "./ring";
import { pathAround } from "./pathAround";

const box = [point(-10, -20), point(10, -20), point(10, 20), point(-10, 20)];
const length = (path: ReturnType<typeof pathAround>) =>
  path.slice(1).reduce((sum, p, nth) => sum + distanceMm(path[nth], p), 0);

describe("A path around a module", () => {
  it("is straight where nothing is in the path", () => {
    expect(pathAround(point(-30, -30), point(30, -30), box)).toHaveLength(2);
    expect(pathAround(point(0, 0), point(40, 0), box)).toHaveLength(2);
  });

  it("goes past the nearer corners", () => {
    expect(pathAround(point(-15, -15), point(15, -15), box)).toEqual([
      point(-15, -15),
      point(-10, -20),
      point(10, -20),
      point(15, -15),
    ]);
    expect(pathAround(point(-15, 18), point(15, 18), box)[1]).toEqual(point(-10, 20));
  });

  it("stays outside, and is no longer than half the edge more, wherever it starts", () => {
    const corner = fc.tuple(fc.integer({ min: -600, max: 600 }), fc.integer({ min: -600, max: 600 }));
    fc.assert(
      fc.property(corner, corner, fc.integer({ min: 0, max: 359 }), (from, to, turn) => {
        const ring = box.map((p) => rotate(p, turn));
        const [a, b] = [from, to].map(([x, y]) => point(x / 10 + 0.013, y / 10 + 0.017));
        fc.pre(!isInside(a, ring) && !isInside(b, ring));
        const path = pathAround(a, b, ring);
        expect(path[0]).toBe(a);
        expect(path.at(-1)).toBe(b);
        expect(length(path)).toBeLessThanOrEqual(distanceMm(a, b) + 60 + 1e-9);
        path.slice(1).forEach((p, nth) => {
          for (let step = 1; step < 40; step++) {
            const t = step / 40;
            const on = point(path[nth].xMm + t * (p.xMm - path[nth].xMm), path[nth].yMm + t * (p.yMm - path[nth].yMm));
            const inner = ring.map(({ xMm, yMm }) => point(xMm * 0.999, yMm * 0.999));
            expect(isInside(on, inner)).toBe(false);
          }
        });
      }),
    );
  });
});
