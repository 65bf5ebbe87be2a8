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

  it("is found where the polygon library loses its way on the finest grid", () => {
    const rings = [
      [
        [52.88416993052287, 45.23095519223117],
        [47.85557692096483, 48.99282339090905],
        [42.08340699044196, 46.51886819867788],
        [41.33983006947713, 40.283044807768825],
        [46.36842307903517, 36.52117660909094],
        [52.140593009558046, 38.99513180132212],
      ],
      [
        [65.30251012852491, 37.62973860617705],
        [57.39140213841673, 39.427098243421526],
        [49.433193343880546, 37.851330468869634],
        [42.803930343548885, 33.174899846142196],
        [38.64987293514277, 26.206403713947275],
        [37.68929538300242, 18.150758360341317],
        [40.08829027246601, 10.40085805020333],
        [45.432049592960915, 4.296730952790211],
        [52.79658881144418, 0.8938360974984612],
        [60.90851219230166, 0.780564919137273],
        [68.36519448847265, 3.976503033481629],
        [73.87730758911727, 9.92904370637514],
        [76.49175706315853, 17.60893857834017],
        [75.75648084500692, 25.688264056359362],
        [71.79861487255559, 32.77003136691545],
      ],
      [
        [56.56995718285913, 34.381600309212686],
        [48.964645281380776, 37.57857905445718],
        [40.71651873700459, 37.4058054330035],
        [33.251753561130485, 33.89315357360006],
        [27.861075467929748, 27.64799289417803],
        [25.476581672489832, 19.750168411713144],
        [26.510572814488373, 11.56528572870651],
        [30.784262431959196, 4.508585418374816],
        [37.55869076479027, -0.1997649275158473],
        [45.66249761048581, -1.7456487601409343],
        [53.69446114465102, 0.13823127907416577],
        [60.26578190413084, 5.126135216836303],
        [64.24021883103622, 12.355609148621689],
        [64.93055567407924, 20.576611353915812],
        [62.217426921584455, 28.367655865962895],
      ],
      [
        [4, 0],
        [-1.9999999999999991, 3.464101615137755],
        [-2.0000000000000018, -3.464101615137754],
      ],
    ].map((ring) => ring.map(([x, y]) => point(x, y)));
    same(rings);
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
