import { broken } from "./drawing/ControlShape";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { derive } from "@/core/derived/derive";
import { circle, placeOutline, roundedRectangle } from "@/core/geometry/outline";
import { outlinePath } from "./drawing/outlinePath";
import { netLook } from "./lenses/netLook";
import { fitView, tickStepMm, zoomAbout } from "./mat/view";
import { readNumber } from "./pieces/readNumber";

const numbersIn = (path: string) => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe("outlines as paths", () => {
  it("draw a sharp rectangle with four corners", () => {
    expect(outlinePath(roundedRectangle(10, 6, 0))).toBe("M-5 -3L5 -3L5 -3L5 3L5 3L-5 3L-5 3L-5 -3Z");
  });

  it("round every corner of a cap by its radius, clockwise", () => {
    const path = outlinePath(roundedRectangle(10, 6, 1));
    expect(path.match(/A1 1 0 0 1/g)).toHaveLength(4);
    expect(path.startsWith("M-4 -3L4 -3")).toBe(true);
  });

  it("draw a circle by its rim", () => expect(outlinePath(circle(8))).toBe("M-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0Z"));

  it("stay within the outline's size wherever it is turned", () => {
    fc.assert(
      fc.property(fc.integer({ min: -180, max: 180 }), (rotationDeg) => {
        const path = outlinePath(placeOutline(roundedRectangle(20, 10, 2), { xMm: 0, yMm: 0, rotationDeg }));
        const farthest = Math.hypot(10, 5);
        for (const value of numbersIn(path)) expect(Math.abs(value)).toBeLessThanOrEqual(farthest + 1e-3);
      }),
    );
  });
});

describe("the view of the mat", () => {
  const box = { minXMm: -20, minYMm: 10, maxXMm: 80, maxYMm: 60 };

  it("fits a box whole and in the middle", () => {
    const view = fitView(box, 800, 500);
    const px = (mm: number, origin: number) => origin + mm * view.scale;
    expect(px(30, view.x)).toBeCloseTo(400, 6);
    expect(px(box.minXMm, view.x)).toBeGreaterThan(20);
    expect(px(box.maxXMm, view.x)).toBeLessThan(780);
    expect(px(box.minYMm, view.y)).toBeGreaterThan(20);
    expect(px(box.maxYMm, view.y)).toBeLessThan(500);
  });

  it("keeps the place under the pointer when it zooms, and never leaves its limits", () => {
    const factor = fc.double({ min: 0.05, max: 20, noNaN: true });
    fc.assert(
      fc.property(factor, fc.integer({ min: 0, max: 800 }), fc.integer({ min: 0, max: 500 }), (by, x, y) => {
        const before = fitView(box, 800, 500);
        const after = zoomAbout(before, by, x, y);
        expect((x - after.x) / after.scale).toBeCloseTo((x - before.x) / before.scale, 6);
        expect((y - after.y) / after.scale).toBeCloseTo((y - before.y) / before.scale, 6);
        expect(after.scale).toBeGreaterThanOrEqual(0.4);
        expect(after.scale).toBeLessThanOrEqual(40);
      }),
    );
  });

  it("labels the rulers at least 45 pixels apart, in round steps", () => {
    for (const scale of [0.4, 1, 2.5, 6, 16, 40]) expect(tickStepMm(scale) * scale).toBeGreaterThanOrEqual(45);
    expect(tickStepMm(40)).toBe(2);
    expect(tickStepMm(3)).toBe(20);
  });
});

describe("the looks of nets", () => {
  it("differ from each other in pattern or colour on both demos", () => {
    for (const design of demoDesigns) {
      const looks = derive(design).signalNets.map((net, index) => JSON.stringify(netLook(net, index)));
      expect(new Set(looks).size).toBe(looks.length);
    }
  });

  it("tell rows from columns by pattern alone", () => {
    const { signalNets } = derive(demoDesigns[1]);
    const patterns = (role: string) =>
      new Set(signalNets.flatMap((net, i) => (net.role === role ? [netLook(net, i).pattern] : [])));
    const rows = patterns("row");
    for (const pattern of patterns("column")) expect(rows.has(pattern)).toBe(false);
  });
});

describe("numbers as people type them", () => {
  it.each([
    ["12.5", 12.5],
    ["12,5", 12.5],
    [" -3 ", -3],
    ["−3", -3],
    ["+4", 4],
    [".5", 0.5],
    ["7.", 7],
    ["19.05 mm", 19.05],
    ["30°", 30],
  ])("%s is %d", (text, value) => expect(readNumber(text)).toBe(value));

  it.each(["", "a", "1.2.3", "1e5", "0x10", "--1", "1 2", "NaN", "Infinity"])("%s is none", (text) =>
    expect(readNumber(text)).toBeNull(),
  );
});

describe("words on a cap", () => {
  it.each([
    ["A", ["A"]],
    ["Up Arrow", ["Up", "Arrow"]],
    ["Left Ctrl + S", ["Left", "Ctrl", "+ S"]],
    ["hold Camera layer", ["hold", "Camera", "layer"]],
    ["Volume Increment", ["Volume", "Increment"]],
    ["one two three four five six", ["one two", "three", "four five six"]],
  ])("%s go on lines that it can read", (words, lines) => expect(broken(words)).toEqual(lines));
});
