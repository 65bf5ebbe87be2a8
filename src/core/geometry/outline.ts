import { type Point, place, point } from "./point";

/**
 * A convex outline with rounded corners: every place within `radiusMm` of the convex polygon `core`.
 * One point as core is a circle. Gaps between two such shapes are exact: the cores' distance less both radii.
 */
export interface Outline {
  core: Point[];
  radiusMm: number;
}

/** A circle about the origin. */
export const circle = (diameterMm: number): Outline => ({ core: [point(0, 0)], radiusMm: diameterMm / 2 });

/** A rectangle about the origin with outer size width × height and rounded corners; the radius may be 0. */
export function roundedRectangle(widthMm: number, heightMm: number, radiusMm: number): Outline {
  const x = widthMm / 2 - radiusMm;
  const y = heightMm / 2 - radiusMm;
  return { core: [point(-x, -y), point(x, -y), point(x, y), point(-x, y)], radiusMm };
}

export const placeOutline = (outline: Outline, at: Point & { rotationDeg: number }): Outline => ({
  core: outline.core.map((p) => place(p, at)),
  radiusMm: outline.radiusMm,
});

export interface Box {
  minXMm: number;
  minYMm: number;
  maxXMm: number;
  maxYMm: number;
}

const boxes = new WeakMap<Outline, Box>();

/** Smallest upright box around one outline; kept, since unchanged controls keep their outlines from edit to edit. */
export function boxOf(outline: Outline): Box {
  let box = boxes.get(outline);
  if (!box) boxes.set(outline, (box = boundsOf([outline])!));
  return box;
}

export const boxesMeet = (a: Box, b: Box): boolean =>
  a.minXMm <= b.maxXMm && b.minXMm <= a.maxXMm && a.minYMm <= b.maxYMm && b.minYMm <= a.maxYMm;

/** Smallest upright box around outlines; null when there are none. */
export function boundsOf(outlines: Outline[]): Box | null {
  if (outlines.length === 0) return null;
  const box = { minXMm: Infinity, minYMm: Infinity, maxXMm: -Infinity, maxYMm: -Infinity };
  for (const { core, radiusMm } of outlines) {
    for (const p of core) {
      box.minXMm = Math.min(box.minXMm, p.xMm - radiusMm);
      box.minYMm = Math.min(box.minYMm, p.yMm - radiusMm);
      box.maxXMm = Math.max(box.maxXMm, p.xMm + radiusMm);
      box.maxYMm = Math.max(box.maxYMm, p.yMm + radiusMm);
    }
  }
  return box;
}
