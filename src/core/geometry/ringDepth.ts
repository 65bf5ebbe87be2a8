import { type Point, distanceMm, point } from "./point";
import { type Ring, isInside } from "./ring";

/** How deep a point lies within a ring, in mm from its line; negative outside, by its distance. */
export function ringDepthMm(ring: Ring, p: Point): number {
  let away = Infinity;
  ring.forEach((a, nth) => {
    const b = ring[(nth + 1) % ring.length];
    const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
    const length2 = dx * dx + dy * dy;
    const t = length2 === 0 ? 0 : ((p.xMm - a.xMm) * dx + (p.yMm - a.yMm) * dy) / length2;
    const along = Math.max(0, Math.min(1, t));
    away = Math.min(away, distanceMm(p, point(a.xMm + dx * along, a.yMm + dy * along)));
  });
  return isInside(p, ring) ? away : -away;
}
