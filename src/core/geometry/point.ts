/** A place on the mat in millimetres: x to the right, y downwards (towards the person). */
export interface Point {
  xMm: number;
  yMm: number;
}

export const point = (xMm: number, yMm: number): Point => ({ xMm, yMm });

export const distanceMm = (a: Point, b: Point): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);

/** Turns a point about the origin; positive degrees turn clockwise as seen on the mat (y points down). */
export function rotate(p: Point, rotationDeg: number): Point {
  const angle = (rotationDeg * Math.PI) / 180;
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  return { xMm: p.xMm * cos - p.yMm * sin, yMm: p.xMm * sin + p.yMm * cos };
}

/** From a part's own coordinates to the mat's: turn, then shift. */
export function place(p: Point, at: Point & { rotationDeg: number }): Point {
  const turned = rotate(p, at.rotationDeg);
  return { xMm: turned.xMm + at.xMm, yMm: turned.yMm + at.yMm };
}
