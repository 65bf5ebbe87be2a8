import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { point } from "../geometry/point";
import { wiresOf } from "../wires/wires";
import { placeLabels, wordsWidthMm } from "./labelPlaces";

const here = [point(0, 0), point(0, -5), point(0, 5), point(20, 0)];
const label = (words: string, places = here) => ({ words, sizeMm: 2, places });
const wire = (x1: number, y1: number, x2: number, y2: number) => ({ from: point(x1, y1), to: point(x2, y2) });

describe("Words on a drawing", () => {
  it("take the first place where nothing is", () => {
    expect(placeLabels([label("K1")], [])[0].at).toEqual(point(0, 0));
  });

  it("go where no wire runs, whichever way it runs", () => {
    expect(placeLabels([label("K1")], [wire(-10, 0, 10, 0)])[0].at).toEqual(point(0, -5));
    expect(placeLabels([label("K1")], [wire(-10, 0, 10, 0), wire(-9, -9, 9, -1)])[0].at).toEqual(point(0, 5));
    expect(placeLabels([label("K1")], [wire(0, -50, 0, 50)])[0].at).toEqual(point(20, 0));
    expect(placeLabels([label("K1")], [wire(-0.1, 0, 0.1, 0)])[0].at).toEqual(point(0, -5));
  });

  it("do not lie on each other, nor on what is covered", () => {
    const places = placeLabels([label("K1"), label("K2"), label("K3")], []).map(({ at }) => at);
    expect(places).toEqual(here.slice(0, 3));
    const covered = [{ minXMm: -5, minYMm: -8, maxXMm: 5, maxYMm: 8 }];
    expect(placeLabels([label("K1")], [], covered)[0].at).toEqual(point(20, 0));
  });

  it("stay put where every place is bad", () => {
    const wires = here.map(({ xMm, yMm }) => wire(xMm - 3, yMm, xMm + 3, yMm));
    expect(placeLabels([label("K1")], wires)[0].at).toEqual(point(0, 0));
  });

  it("are as wide as their letters", () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 20 }), (words) => {
        const twice = wordsWidthMm({ words: words + words, sizeMm: 2 });
        expect(twice).toBeCloseTo(2 * wordsWidthMm({ words, sizeMm: 2 }), 6);
      }),
    );
  });

  it("of every demo's keys mostly find a place beside the wires", () => {
    for (const design of demoDesigns.filter(({ circuits }) => circuits.length > 0)) {
      const segments = wiresOf(design).map(({ from, to }) => ({ from: from.at, to: to.at }));
      const middle = design.controls.map(({ label: words, placement: { xMm, yMm } }) =>
        label(words, [point(xMm, yMm), point(xMm, yMm - 4), point(xMm, yMm + 4)]),
      );
      const onWire = (places: typeof middle) =>
        placeLabels(places, segments).filter(({ at, words }) =>
          segments.some(({ from, to }) => {
            const half = wordsWidthMm({ words, sizeMm: 2 }) / 2;
            const t = (at.yMm - from.yMm) / (to.yMm - from.yMm || 1e-9);
            const x = from.xMm + t * (to.xMm - from.xMm);
            return t > 0 && t < 1 && Math.abs(x - at.xMm) < half;
          }),
        ).length;
      const fixed = onWire(middle.map((one) => ({ ...one, places: one.places.slice(0, 1) })));
      expect(onWire(middle)).toBeLessThanOrEqual(fixed);
    }
  });
});
