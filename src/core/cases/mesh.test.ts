import { describe, expect, it } from "vitest";
import { type Mesh, isClosed, welded } from "./mesh";
import { withSolids } from "./solidKernel";

/** A cube of 1 mm whose lower left corner stands twice, a ten-millionth apart, with the splinter between. */
const cube: Mesh = {
  corners: Float64Array.from([0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 1, 0, 0, 0, 1, 1, 0, 1, 1, 1, 1, 0, 1, 1]),
  triangles: Uint32Array.from([
    0, 2, 1, 0, 3, 2, 4, 5, 6, 4, 6, 7, 0, 1, 5, 0, 5, 4, 1, 2, 6, 1, 6, 5, 2, 3, 7, 2, 7, 6, 3, 0, 4, 3, 4, 7,
  ]),
};

describe("a mesh", () => {
  it("is closed when every edge is used once in each direction", () => {
    expect(isClosed(cube)).toBe(true);
    expect(isClosed({ ...cube, triangles: cube.triangles.slice(3) })).toBe(false);
    const turned = Uint32Array.from(cube.triangles);
    [turned[0], turned[1]] = [turned[1], turned[0]];
    expect(isClosed({ ...cube, triangles: turned })).toBe(false);
  });

  it("has corners at one place once, and no triangle without area", () => {
    const corners = Float64Array.from([...cube.corners, 1e-7, 0, 0]);
    // The corner is split: one face uses the double, two splinters close the gap.
    const triangles = Uint32Array.from([
      8,
      2,
      1,
      ...cube.triangles.slice(3, 12),
      8,
      1,
      5,
      ...cube.triangles.slice(15),
      0,
      2,
      8,
      0,
      8,
      5,
    ]);
    const split = { corners, triangles };
    expect(isClosed(split)).toBe(true);
    const tidy = welded(split);
    expect(tidy.corners.length).toBe(24);
    expect(tidy.triangles.length).toBe(36);
    expect(isClosed(tidy)).toBe(true);
  });

  it("stays as it was where corners that meet belong to two bodies", () => {
    const second = Float64Array.from(cube.corners).map((value) => value);
    const both = {
      corners: Float64Array.from([...cube.corners, ...second.map((value, at) => value + (at % 3 === 2 ? 0 : 1))]),
      triangles: Uint32Array.from([...cube.triangles, ...Array.from(cube.triangles, (nth) => nth + 8)]),
    };
    expect(welded(both).corners.length).toBe(48);
  });
});

describe("solids", () => {
  it("have areas and heights as they are told, the mat's y turned up", async () => {
    const square = (from: number, to: number) => [
      { xMm: from, yMm: from },
      { xMm: to, yMm: from },
      { xMm: to, yMm: to },
      { xMm: from, yMm: to },
    ];
    const [volume, box, none, grown] = await withSolids((shop) => {
      const flat = shop.area([square(0, 10), [...square(5, 15)].reverse()]);
      const solid = shop.raised(flat, -2, 3);
      return [
        solid.volume(),
        solid.boundingBox(),
        shop.raised(shop.area([]), 0, 5).isEmpty() && shop.raised(flat, 5, 5).isEmpty(),
        shop.grown(flat, 1).area(),
      ] as const;
    });
    expect(volume).toBeCloseTo(175 * 5, 6);
    expect([...box.min, ...box.max]).toEqual([0, -15, -2, 15, 0, 3]);
    expect(none).toBe(true);
    // 60 mm around, 6 quarter circles outside, two inner corners of one mm² each counted twice.
    expect(grown).toBeCloseTo(175 + 60 + (6 * Math.PI) / 4 - 2, 1);
  });
});
