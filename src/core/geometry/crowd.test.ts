import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { overlaps } from "./clearance";
import { Crowd } from "./crowd";
import { placeOutline, roundedRectangle } from "./outline";

const outline = fc
  .record({
    xMm: fc.integer({ min: -120, max: 120 }),
    yMm: fc.integer({ min: -120, max: 120 }),
    rotationDeg: fc.integer({ min: 0, max: 90 }),
    wide: fc.integer({ min: 1, max: 90 }),
    tall: fc.integer({ min: 1, max: 90 }),
  })
  .map(({ wide, tall, ...at }) => placeOutline(roundedRectangle(wide, tall, 0), at));

describe("outlines kept by cells", () => {
  it("finds what a comparison with every one of them finds", () => {
    fc.assert(
      fc.property(fc.array(outline, { maxLength: 20 }), outline, (others, own) => {
        expect(new Crowd(others).isOnAnother(own)).toBe(others.some((other) => overlaps(own, other)));
      }),
    );
  });

  it("knows what was laid down later", () => {
    const crowd = new Crowd([]);
    const own = placeOutline(roundedRectangle(10, 10, 0), { xMm: 0, yMm: 0, rotationDeg: 0 });
    expect(crowd.isOnAnother(own)).toBe(false);
    crowd.add(own);
    expect(crowd.isOnAnother(own)).toBe(true);
  });
});
