import type { Point } from "./point";

/** Twice the signed area of the triangle a, b, c: which side of a–b the point c lies on. */
const turn = (a: Point, b: Point, c: Point): number =>
  (b.xMm - a.xMm) * (c.yMm - a.yMm) - (b.yMm - a.yMm) * (c.xMm - a.xMm);

/** Whether two segments cross in one point inside both; a shared end or a touch is no crossing. */
export function crosses(a: Point, b: Point, c: Point, d: Point): boolean {
  return turn(a, b, c) * turn(a, b, d) < -1e-9 && turn(c, d, a) * turn(c, d, b) < -1e-9;
}

/** Where two crossing segments meet. */
export function meetingPoint(a: Point, b: Point, c: Point, d: Point): Point {
  const [fromC, fromD] = [turn(a, b, c), turn(a, b, d)];
  const along = fromC / (fromC - fromD);
  return { xMm: c.xMm + along * (d.xMm - c.xMm), yMm: c.yMm + along * (d.yMm - c.yMm) };
}
