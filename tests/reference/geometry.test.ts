import fc from "fast-check";
import clipping from "polygon-clipping";
import { describe, expect, it } from "vitest";
import { clearanceMm } from "@/core/geometry/clearance";
import { convexHull } from "@/core/geometry/convexHull";
import { type Point, distanceMm, point } from "@/core/geometry/point";
import { outlineRing, ringAreaMm2 } from "@/core/geometry/ring";
import { extentAt, fitInto, smallestRectangle } from "@/core/geometry/smallestRectangle";

// The program's geometry against brute force and against a general geometry library (polygon-clipping), on random shapes.

const shape = fc
  .array(fc.tuple(fc.integer({ min: -100, max: 100 }), fc.integer({ min: -60, max: 60 })), {
    minLength: 4,
    maxLength: 12,
  })
  .map((pairs) => convexHull(pairs.map(([x, y]) => point(x, y))))
  .filter((hull) => hull.length > 2 && ringAreaMm2(hull) > 100);

/** Tries every turn in small steps: knows nothing of hulls or edges. */
function bruteRectangle(points: Point[], stepDeg: number): number {
  let least = Infinity;
  for (let deg = 0; deg < 90; deg += stepDeg) {
    const { widthMm, heightMm } = extentAt(points, deg);
    least = Math.min(least, widthMm * heightMm);
  }
  return least;
}

describe("the smallest turning rectangle", () => {
  it("is never larger than the best of 1,800 turns, and hardly smaller", () =>
    fc.assert(
      fc.property(shape, (points) => {
        const { widthMm, heightMm } = smallestRectangle(points);
        const brute = bruteRectangle(points, 0.05);
        expect(widthMm * heightMm).toBeLessThanOrEqual(brute + 1e-6);
        expect(widthMm * heightMm).toBeGreaterThan(brute * 0.99);
      }),
      { numRuns: 60 },
    ));

  it("of a turned rectangle is that rectangle", () => {
    const turned = [point(0, 0), point(80, 60), point(62, 84), point(-18, 24)]; // 100 × 30, sides 3-4-5
    const { widthMm, heightMm } = smallestRectangle(turned);
    expect([Math.max(widthMm, heightMm), Math.min(widthMm, heightMm)].map((mm) => Number(mm.toFixed(6)))).toEqual([
      100, 30,
    ]);
  });
});

describe("fitting a bed at any turn", () => {
  it("agrees with trying 3,600 turns", () =>
    fc.assert(
      fc.property(
        shape,
        fc.integer({ min: 60, max: 220 }),
        fc.integer({ min: 60, max: 220 }),
        (points, widthMm, heightMm) => {
          let best = Infinity;
          for (let deg = 0; deg < 180; deg += 0.05) {
            const extent = extentAt(points, deg);
            best = Math.min(best, Math.max(extent.widthMm / widthMm, extent.heightMm / heightMm));
          }
          const fit = fitInto(points, { widthMm, heightMm });
          if (Math.abs(best - 1) > 0.004) expect(fit.fits).toBe(best <= 1);
          if (!fit.fits) expect(fit.fill).toBeLessThanOrEqual(best + 1e-6);
          const there = extentAt(points, fit.angleDeg);
          expect(Math.max(there.widthMm / widthMm, there.heightMm / heightMm)).toBeCloseTo(fit.fill, 6);
        },
      ),
      { numRuns: 60 },
    ));

  // A 300 × 20 mm strip on a 220 × 220 bed: (300 + 20) / √2 = 226 corner to corner is too long; 290 × 20 at 45° is 219.2.
  it("lays a strip corner to corner when only that fits", () => {
    const strip = (long: number) => [point(0, 0), point(long, 0), point(long, 20), point(0, 20)];
    const bed = { widthMm: 220, heightMm: 220 };
    expect(fitInto(strip(290), bed)).toMatchObject({ fits: true });
    expect(fitInto(strip(290), bed).angleDeg % 90).toBeCloseTo(45, 1);
    expect(fitInto(strip(300), bed).fits).toBe(false);
    expect(fitInto(strip(200), bed)).toMatchObject({ fits: true, angleDeg: 0 });
  });
});

describe("clearance", () => {
  const toPolygon = (ring: Point[]) => [ring.map((p): [number, number] => [p.xMm, p.yMm])];
  const along = (ring: Point[]) =>
    ring.flatMap((a, i) => {
      const b = ring[(i + 1) % ring.length];
      const steps = Math.max(1, Math.ceil(distanceMm(a, b) / 0.5));
      return Array.from({ length: steps }, (_, s) =>
        point(a.xMm + ((b.xMm - a.xMm) * s) / steps, a.yMm + ((b.yMm - a.yMm) * s) / steps),
      );
    });
  const outline = fc.tuple(shape, fc.integer({ min: 0, max: 8 })).map(([core, radiusMm]) => ({ core, radiusMm }));

  it("is negative exactly when the library finds a common area, and else the least distance of the two edges", () =>
    fc.assert(
      fc.property(outline, outline, fc.integer({ min: -300, max: 300 }), (a, b, dx) => {
        const moved = { ...b, core: b.core.map((p) => point(p.xMm + dx, p.yMm)) };
        const [ringA, ringB] = [outlineRing(a, 0.005), outlineRing(moved, 0.005)];
        const common = clipping.intersection(toPolygon(ringA), toPolygon(ringB));
        const gap = clearanceMm(a, moved);
        if (Math.abs(gap) < 0.02) return;
        expect(common.length > 0).toBe(gap < 0);
        if (gap < 0) return;
        const [pa, pb] = [along(ringA), along(ringB)];
        const brute = Math.min(...pa.map((p) => Math.min(...pb.map((q) => distanceMm(p, q)))));
        expect(gap).toBeLessThanOrEqual(brute + 0.01);
        expect(gap).toBeGreaterThan(brute - 0.6);
      }),
      { numRuns: 60 },
    ));
});
