import { describe, expect, it } from "vitest";
import { pixelsOf, solidPicture } from "./solidPicture";

const box = (x: number, y: number, z: number, size: [number, number, number]) => {
  const [a, b, c] = size;
  const corners = [0, 0, 0, a, 0, 0, a, b, 0, 0, b, 0, 0, 0, c, a, 0, c, a, b, c, 0, b, c];
  return {
    corners: corners.map((value, at) => value + [x, y, z][at % 3]),
    triangles: [
      0, 2, 1, 0, 3, 2, 4, 5, 6, 4, 6, 7, 0, 1, 5, 0, 5, 4, 1, 2, 6, 1, 6, 5, 2, 3, 7, 2, 7, 6, 3, 0, 4, 3, 4, 7,
    ],
  };
};

const seen = ({ width, depth }: ReturnType<typeof solidPicture>, x: number, y: number) =>
  depth[y * width + x] > -Infinity;

describe("a body's picture", () => {
  it("from above is its outline, as large as the picture lets it", () => {
    const picture = solidPicture([box(0, 0, 0, [20, 10, 5])], { turnDeg: 0, tiltDeg: 90 }, 100, 100);
    expect(seen(picture, 50, 50)).toBe(true);
    expect(seen(picture, 6, 50)).toBe(true);
    expect(seen(picture, 2, 50)).toBe(false);
    // Twice as wide as deep.
    expect(seen(picture, 50, 30)).toBe(true);
    expect(seen(picture, 50, 22)).toBe(false);
    const drawn = picture.depth.reduce((count, depth) => count + (depth > -Infinity ? 1 : 0), 0);
    expect(Math.abs(drawn - 92 * 46)).toBeLessThan(200);
  });

  it("shows what is nearer: the upper one from above, the lower one from below", () => {
    const bodies = [box(0, 0, 0, [10, 10, 1]), box(2, 2, 20, [6, 6, 1])];
    const depthAt = (tiltDeg: number) => {
      const { depth, width } = solidPicture(bodies, { turnDeg: 0, tiltDeg }, 80, 80);
      return [depth[40 * width + 40], depth[40 * width + 8]];
    };
    const [middle, rim] = depthAt(90);
    expect(middle).toBeGreaterThan(rim + 50);
    const [below, belowRim] = depthAt(-90);
    expect(below).toBeCloseTo(belowRim, 3);
  });

  it("lights faces by their turn, leaves the rest clear, and lines where they meet", () => {
    const picture = solidPicture([box(0, 0, 0, [10, 10, 10])], { turnDeg: -30, tiltDeg: 30 }, 120, 120);
    const lights = new Set([...picture.light].filter((light) => light > 0).map((light) => light.toFixed(3)));
    expect(lights.size).toBe(3);
    const pixels = pixelsOf(picture, [200, 180, 160], [1, 2, 3]);
    expect([...pixels.slice(0, 4)]).toEqual([0, 0, 0, 0]);
    let lines = 0;
    for (let at = 0; at < pixels.length; at += 4) if (pixels[at] === 1 && pixels[at + 1] === 2) lines += 1;
    expect(lines).toBeGreaterThan(200);
    expect(lines).toBeLessThan(2000);
  });

  it("of nothing is empty", () => {
    expect([...solidPicture([], { turnDeg: 0, tiltDeg: 0 }, 4, 4).depth].every((depth) => depth === -Infinity)).toBe(
      true,
    );
  });
});
