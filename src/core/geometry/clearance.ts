import { type Outline, boxOf, boxesMeet } from "./outline";
import { type Point, distanceMm, point } from "./point";

/** Distance from a point to a line piece. */
function pointToSegmentMm(p: Point, a: Point, b: Point): number {
  const dx = b.xMm - a.xMm;
  const dy = b.yMm - a.yMm;
  const length2 = dx * dx + dy * dy;
  const along = length2 === 0 ? 0 : ((p.xMm - a.xMm) * dx + (p.yMm - a.yMm) * dy) / length2;
  const t = Math.min(1, Math.max(0, along));
  return distanceMm(p, point(a.xMm + t * dx, a.yMm + t * dy));
}

/** Outward gap between two convex cores along one direction: positive when a line in between separates them. */
function gapAlong(a: Point[], b: Point[], nx: number, ny: number): number {
  const spread = (points: Point[]) => points.map((p) => p.xMm * nx + p.yMm * ny);
  const aSpread = spread(a);
  const bSpread = spread(b);
  return Math.max(Math.min(...bSpread) - Math.max(...aSpread), Math.min(...aSpread) - Math.max(...bSpread));
}

/**
 * How deep two convex cores lie in each other, as a negative number, or a positive number when they are apart.
 * Separating axis theorem: convex shapes are disjoint when some edge's normal separates them.
 */
function separation(a: Point[], b: Point[]): number {
  let widest = -Infinity;
  for (const core of [a, b]) {
    for (let i = 0; i < core.length && core.length > 1; i++) {
      const from = core[i];
      const to = core[(i + 1) % core.length];
      const length = distanceMm(from, to);
      if (length === 0) continue;
      const gap = gapAlong(a, b, (to.yMm - from.yMm) / length, -(to.xMm - from.xMm) / length);
      widest = Math.max(widest, gap);
    }
  }
  return widest;
}

function edgeDistanceMm(a: Point[], b: Point[]): number {
  let nearest = Infinity;
  const against = (points: Point[], core: Point[]) => {
    for (const p of points) {
      for (let i = 0; i < core.length; i++) {
        nearest = Math.min(nearest, pointToSegmentMm(p, core[i], core[(i + 1) % core.length]));
      }
    }
  };
  against(a, b);
  against(b, a);
  return nearest;
}

/**
 * Clear distance between two outlines in mm; negative when they overlap (then by about how much).
 * Exact for outlines that do not overlap.
 */
export function clearanceMm(a: Outline, b: Outline): number {
  const depth = separation(a.core, b.core);
  const cores = depth < 0 && depth > -Infinity ? depth : edgeDistanceMm(a.core, b.core);
  return cores - a.radiusMm - b.radiusMm;
}

/** Whether two outlines overlap; boxes are compared first, since most pairs are far apart. */
export function overlaps(a: Outline, b: Outline): boolean {
  if (!boxesMeet(boxOf(a), boxOf(b))) return false;
  return clearanceMm(a, b) < -1e-6;
}
