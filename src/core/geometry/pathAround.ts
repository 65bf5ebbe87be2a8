import { type Point, distanceMm } from "./point";
import { type Ring, isInside } from "./ring";
import { crosses } from "./segment";

/** Whether a straight line runs through a convex ring. */
function runsThrough(a: Point, b: Point, ring: Ring): boolean {
  const middle = { xMm: (a.xMm + b.xMm) / 2, yMm: (a.yMm + b.yMm) / 2 };
  if (isInside(middle, ring)) return true;
  return ring.some((p, nth) => crosses(a, b, p, ring[(nth + 1) % ring.length]));
}

const lengthMm = (path: Point[]) => path.slice(1).reduce((sum, p, nth) => sum + distanceMm(path[nth], p), 0);

/** Leaves out corners as long as what remains stays outside. */
function shortened(path: Point[], ring: Ring): Point[] {
  const left = [...path];
  for (let nth = 1; nth < left.length - 1;)
    if (runsThrough(left[nth - 1], left[nth + 1], ring)) nth += 1;
    else {
      left.splice(nth, 1);
      nth = Math.max(1, nth - 1);
    }
  return left;
}

/**
 * The shortest way from a to b that stays outside a convex ring: straight, or past its corners on the shorter side.
 * A way that starts or ends inside is straight.
 */
export function pathAround(a: Point, b: Point, ring: Ring): Point[] {
  if (ring.length < 3 || isInside(a, ring) || isInside(b, ring) || !runsThrough(a, b, ring)) return [a, b];
  const nearest = (p: Point) =>
    ring.reduce((best, corner, nth) => (distanceMm(corner, p) < distanceMm(ring[best], p) ? nth : best), 0);
  const [start, end] = [nearest(a), nearest(b)];
  const between = (step: 1 | -1): Point[] => {
    const corners = [ring[start]];
    for (let at = start; at !== end;) {
      at = (at + step + ring.length) % ring.length;
      corners.push(ring[at]);
    }
    return shortened([a, ...corners, b], ring);
  };
  const [one, other] = [between(1), between(-1)];
  return lengthMm(one) <= lengthMm(other) ? one : other;
}
