import type { Outline } from "./outline";
import { type Point, distanceMm } from "./point";

function toSegmentMm(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
  const length2 = dx * dx + dy * dy;
  if (length2 === 0) return distanceMm(p, a);
  const t = Math.max(0, Math.min(1, ((p.xMm - a.xMm) * dx + (p.yMm - a.yMm) * dy) / length2));
  return Math.hypot(p.xMm - a.xMm - t * dx, p.yMm - a.yMm - t * dy);
}

/** Whether a point lies on the same side of every edge of a convex polygon. */
function isWithin(p: Point, core: Point[]): boolean {
  let sign = 0;
  for (let i = 0; i < core.length; i++) {
    const [a, b] = [core[i], core[(i + 1) % core.length]];
    const turn = (b.xMm - a.xMm) * (p.yMm - a.yMm) - (b.yMm - a.yMm) * (p.xMm - a.xMm);
    if (turn === 0) continue;
    if (sign !== 0 && turn > 0 !== sign > 0) return false;
    sign = turn;
  }
  return sign !== 0;
}

/** How deep a point lies within an outline, in mm from its rim; negative outside, by its distance. */
export function depthMm({ core, radiusMm }: Outline, p: Point): number {
  let away = Infinity;
  for (let i = 0; i < core.length; i++) away = Math.min(away, toSegmentMm(p, core[i], core[(i + 1) % core.length]));
  return radiusMm + (core.length > 2 && isWithin(p, core) ? away : -away);
}
