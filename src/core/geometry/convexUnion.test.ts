import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { convexUnionEdges } from "./convexUnion";
import { point, rotate } from "./point";
import { type Ring, ringAreaMm2 } from "./ring";
import { unionOf } from "./ringSets";

const box = (x: number, y: number, w: number, h: number, turnDeg = 0): Ring =>
  [point(0, 0), point(w, 0), point(w, h), point(0, h)]
    .map((p) => rotate(p, turnDeg))
    .map((p) => point(p.xMm + x, p.yMm + y));

/** Areas of the regions' outer edges, by a polygon library; it rounds corners to 0.1 µm. */
const expected = (rings: Ring[]) =>
  unionOf(rings)
    .map(({ edge }) => ringAreaMm2(edge))
    .sort((a, b) => a - b);
const found = (rings: Ring[]) =>
  convexUnionEdges(rings)
    .map(ringAreaMm2)
    .sort((a, b) => a - b);

function same(rings: Ring[]) {
  const [own, theirs] = [found(rings), expected(rings)];
  expect(own).toHaveLength(theirs.length);
  own.forEach((area, nth) => expect(Math.abs(area - theirs[nth])).toBeLessThan(0.04));
}

describe("The union of convex rings", () => {
  it("joins two that overlap, and keeps two that do not apart", () => {
    expect(found([box(0, 0, 10, 10), box(5, 5, 10, 10)])).toEqual([175]);
    expect(found([box(0, 0, 10, 10), box(20, 0, 5, 5)])).toEqual([25, 100]);
    expect(found([])).toEqual([]);
  });

  it("has the corners of the shape and no others", () => {
    const edge = convexUnionEdges([box(0, 0, 10, 10), box(8, 0, 10, 10), box(16, 0, 10, 10)]);
    expect(edge).toHaveLength(1);
    expect(edge[0]).toHaveLength(4);
  });

  it("holds for rings on top of each other, within each other, and side by side", () => {
    same([box(0, 0, 10, 10), box(0, 0, 10, 10)]);
    same([box(0, 0, 10, 10), box(2, 2, 3, 3)]);
    same([box(0, 0, 10, 10), box(10, 0, 10, 10)]);
    same([box(0, 0, 10, 10), box(0, 3, 10, 4), box(10, 3, 5, 4)]);
    same([box(0, 0, 10, 10), box(5, 0, 10, 10), box(5, 2, 2, 20)]);
  });

  it("keeps regions that touch in a corner apart", () => {
    expect(found([box(0, 0, 10, 10), box(10, 10, 10, 10)])).toEqual([100, 100]);
  });

  it("leaves out holes", () => {
    const frame = [box(0, 0, 30, 8), box(0, 22, 30, 8), box(0, 0, 8, 30), box(22, 0, 8, 30)];
    expect(found(frame)).toEqual([900]);
  });

  it("is what a polygon library makes of blocks of keys, turned and shifted", () => {
    const key = fc.record({
      column: fc.nat(7),
      row: fc.nat(4),
      wide: fc.constantFrom(1, 1.25, 1.5, 2),
      stagger: fc.constantFrom(0, 0, 2.38, 4.76),
      turnDeg: fc.constantFrom(0, 0, 0, 10, -15),
    });
    fc.assert(
      fc.property(fc.array(key, { minLength: 1, maxLength: 14 }), fc.constantFrom(1, 4, 7), (keys, marginMm) =>
        same(
          keys.map(({ column, row, wide, stagger, turnDeg }) =>
            box(
              column * 19.05 - marginMm,
              row * 19.05 + stagger - marginMm,
              wide * 19.05 + 2 * marginMm,
              19.05 + 2 * marginMm,
              turnDeg,
            ),
          ),
        ),
      ),
      { numRuns: 300 },
    );
  });

  it("is what a polygon library makes of round and angular parts anywhere", () => {
    const ring = fc
      .record({
        corners: fc.integer({ min: 3, max: 16 }),
        radius: fc.integer({ min: 400, max: 2000 }).map((mm) => mm / 100),
        x: fc.integer({ min: 0, max: 60_000 }).map((um) => um / 1000),
        y: fc.integer({ min: 0, max: 60_000 }).map((um) => um / 1000),
        turn: fc.integer({ min: 0, max: 3600 }).map((tenths) => (tenths * Math.PI) / 1800),
      })
      .map(({ corners, radius, x, y, turn }) =>
        Array.from({ length: corners }, (_, nth) => {
          const angle = turn + (2 * Math.PI * nth) / corners;
          return point(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
        }),
      );
    fc.assert(
      fc.property(fc.array(ring, { minLength: 1, maxLength: 12 }), (rings) => same(rings)),
      { numRuns: 300 },
    );
  });
});
