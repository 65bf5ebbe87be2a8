import type { Outline } from "./outline";
import { type Point, distanceMm, point } from "./point";

/** A closed line by its corners; the last joins the first. Chords stay within a tolerance of the arcs they stand for. */
export type Ring = Point[];

/** Twice the signed area: positive when the corners run clockwise on the mat (y points down). */
const doubleArea = (ring: Ring): number =>
  ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length];
    return sum + p.xMm * q.yMm - q.xMm * p.yMm;
  }, 0);

export const ringAreaMm2 = (ring: Ring): number => Math.abs(doubleArea(ring)) / 2;
export const isClockwise = (ring: Ring): boolean => doubleArea(ring) > 0;
export const clockwise = (ring: Ring): Ring => (isClockwise(ring) ? ring : [...ring].reverse());

/** Centre of the area of a ring (the polygon's centroid). */
export function ringCentre(ring: Ring): Point {
  let x = 0;
  let y = 0;
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length];
    const cross = p.xMm * q.yMm - q.xMm * p.yMm;
    x += (p.xMm + q.xMm) * cross;
    y += (p.yMm + q.yMm) * cross;
  });
  const area6 = 3 * doubleArea(ring);
  return point(x / area6, y / area6);
}

/** Whether a point lies inside a ring, by counting crossings to the right of it. */
export function isInside(p: Point, ring: Ring): boolean {
  let inside = false;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length];
    if (a.yMm > p.yMm === b.yMm > p.yMm) return;
    const x = a.xMm + ((p.yMm - a.yMm) / (b.yMm - a.yMm)) * (b.xMm - a.xMm);
    if (x > p.xMm) inside = !inside;
  });
  return inside;
}

/** Steps of an arc so that its chords stay within the tolerance: sagitta s = r (1 − cos(θ/2)). */
function arcSteps(radiusMm: number, angle: number, toleranceMm: number): number {
  if (radiusMm <= toleranceMm) return 1;
  const step = 2 * Math.acos(1 - toleranceMm / radiusMm);
  return Math.max(1, Math.ceil(Math.abs(angle) / step - 1e-9));
}

function arcPoints(centre: Point, radiusMm: number, from: number, angle: number, toleranceMm: number): Point[] {
  const steps = arcSteps(radiusMm, angle, toleranceMm);
  return Array.from({ length: steps + 1 }, (_, step) => {
    const at = from + (angle * step) / steps;
    return point(centre.xMm + radiusMm * Math.cos(at), centre.yMm + radiusMm * Math.sin(at));
  });
}

const TOLERANCE_MM = 0.02;

/** The ring of an outline with its rounding drawn out, clockwise on the mat. */
export function outlineRing({ core, radiusMm }: Outline, toleranceMm = TOLERANCE_MM): Ring {
  if (core.length === 1) return arcPoints(core[0], radiusMm, 0, 2 * Math.PI, toleranceMm).slice(0, -1);
  if (radiusMm === 0) return clockwise(core);
  const corners = core.length > 2 ? clockwise(core) : core;
  return corners.flatMap((corner, i) => {
    const before = corners[(i + corners.length - 1) % corners.length];
    const after = corners[(i + 1) % corners.length];
    const from = Math.atan2(corner.yMm - before.yMm, corner.xMm - before.xMm) - Math.PI / 2;
    const to = Math.atan2(after.yMm - corner.yMm, after.xMm - corner.xMm) - Math.PI / 2;
    let turn = to - from;
    while (turn < -1e-9) turn += 2 * Math.PI;
    while (turn > 2 * Math.PI - 1e-9) turn -= 2 * Math.PI;
    return arcPoints(corner, radiusMm, from, turn, toleranceMm);
  });
}

/** Rounds every corner of a ring; where two corners share a short edge, each takes at most half of it. */
export function filletRing(ring: Ring, radiusMm: number, toleranceMm = TOLERANCE_MM): Ring {
  if (radiusMm <= 0) return ring;
  return ring.flatMap((corner, i) => {
    const before = ring[(i + ring.length - 1) % ring.length];
    const after = ring[(i + 1) % ring.length];
    return filletCorner(before, corner, after, radiusMm, toleranceMm);
  });
}

function filletCorner(before: Point, corner: Point, after: Point, radiusMm: number, toleranceMm: number): Point[] {
  const [a, b] = [distanceMm(before, corner), distanceMm(corner, after)];
  const u = point((before.xMm - corner.xMm) / a, (before.yMm - corner.yMm) / a);
  const v = point((after.xMm - corner.xMm) / b, (after.yMm - corner.yMm) / b);
  const cross = u.xMm * v.yMm - u.yMm * v.xMm;
  const half = Math.acos(Math.max(-1, Math.min(1, u.xMm * v.xMm + u.yMm * v.yMm))) / 2;
  if (Math.abs(cross) < 1e-9 || half < 1e-6) return [corner];
  const back = Math.min(radiusMm / Math.tan(half), a / 2, b / 2);
  const radius = back * Math.tan(half);
  const reach = radius / Math.sin(half);
  const m = point(u.xMm + v.xMm, u.yMm + v.yMm);
  const length = Math.hypot(m.xMm, m.yMm);
  const centre = point(corner.xMm + (m.xMm / length) * reach, corner.yMm + (m.yMm / length) * reach);
  const from = Math.atan2(corner.yMm + u.yMm * back - centre.yMm, corner.xMm + u.xMm * back - centre.xMm);
  const turn = (cross > 0 ? -1 : 1) * (Math.PI - 2 * half);
  return arcPoints(centre, radius, from, turn, toleranceMm);
}

/**
 * A convex polygon with every edge moved outwards by `byMm` (inwards when negative), its corners sharp: the common
 * area of the moved half-planes. Empty when nothing is left.
 */
export function offsetConvex(core: Point[], byMm: number): Point[] {
  if (core.length < 3 || byMm === 0) return core;
  const ring = clockwise(core);
  const far = 1e5;
  let left: Point[] = [point(-far, -far), point(far, -far), point(far, far), point(-far, far)];
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length];
    const length = distanceMm(a, b);
    if (length < 1e-9) return;
    const normal = point((b.yMm - a.yMm) / length, -(b.xMm - a.xMm) / length);
    left = clipped(left, point(a.xMm + normal.xMm * byMm, a.yMm + normal.yMm * byMm), normal);
  });
  return left;
}

/** The part of a convex ring that lies on the inner side of a line (Sutherland and Hodgman, 1974). */
export function clipped(ring: Ring, through: Point, outward: Point): Ring {
  const side = (p: Point) => (p.xMm - through.xMm) * outward.xMm + (p.yMm - through.yMm) * outward.yMm;
  return ring.flatMap((p, i) => {
    const q = ring[(i + 1) % ring.length];
    const [a, b] = [side(p), side(q)];
    const cut = () => point(p.xMm + (a / (a - b)) * (q.xMm - p.xMm), p.yMm + (a / (a - b)) * (q.yMm - p.yMm));
    if (a <= 0) return b <= 0 || a === 0 ? [p] : [p, cut()];
    return b < 0 ? [cut()] : [];
  });
}
