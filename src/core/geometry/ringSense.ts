import { distanceMm, point } from "./point";
import type { Point } from "./point";
import { type Ring, isInside } from "./ring";
import { crosses } from "./segment";

const sides = (ring: Ring): [Point, Point][] => ring.map((p, nth) => [p, ring[(nth + 1) % ring.length]]);

/** Whether two sides of a ring cross, or one runs back over another. */
export function crossesItself(ring: Ring): boolean {
  const all = sides(ring);
  return all.some(([a, b], nth) =>
    all.slice(nth + 2).some(([c, d], more) => (nth !== 0 || nth + 2 + more !== all.length - 1) && crosses(a, b, c, d)),
  );
}

/** Whether a ring lies wholly within another: all corners inside, no corner of the edge inside it, no sides crossing. */
export function isWithin(ring: Ring, edge: Ring): boolean {
  if (ring.some((p) => !isInside(p, edge)) || edge.some((p) => isInside(p, ring))) return false;
  const outer = sides(edge);
  return sides(ring).every(([a, b]) => outer.every(([c, d]) => !crosses(a, b, c, d)));
}

/** Distance from a place to a side. */
function toSideMm(p: Point, [a, b]: [Point, Point]): number {
  const length2 = (b.xMm - a.xMm) ** 2 + (b.yMm - a.yMm) ** 2;
  const along = length2 === 0 ? 0 : ((p.xMm - a.xMm) * (b.xMm - a.xMm) + (p.yMm - a.yMm) * (b.yMm - a.yMm)) / length2;
  const t = Math.max(0, Math.min(1, along));
  return distanceMm(p, point(a.xMm + t * (b.xMm - a.xMm), a.yMm + t * (b.yMm - a.yMm)));
}

/** The thinnest wall between a ring and the edge around it. */
export function wallMm(ring: Ring, edge: Ring): number {
  const [inner, outer] = [sides(ring), sides(edge)];
  const nearest = (points: Ring, of: [Point, Point][]) =>
    points.reduce((least, p) => of.reduce((best, side) => Math.min(best, toSideMm(p, side)), least), Infinity);
  return Math.min(nearest(ring, outer), nearest(edge, inner));
}
