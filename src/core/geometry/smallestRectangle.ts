import { convexHull } from "./convexHull";
import { type Point, distanceMm, rotate } from "./point";

export interface Rectangle {
  widthMm: number;
  heightMm: number;
  /** Turn of the shape, clockwise, that makes the rectangle lie upright. */
  angleDeg: number;
}

const toDeg = (rad: number) => (rad * 180) / Math.PI;

/** Width and height of points turned clockwise by an angle. */
export function extentAt(points: Point[], angleDeg: number): { widthMm: number; heightMm: number } {
  let [minX, maxX, minY, maxY] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const p of points) {
    const q = rotate(p, angleDeg);
    minX = Math.min(minX, q.xMm);
    maxX = Math.max(maxX, q.xMm);
    minY = Math.min(minY, q.yMm);
    maxY = Math.max(maxY, q.yMm);
  }
  return { widthMm: maxX - minX, heightMm: maxY - minY };
}

/** Turns that lay an edge of the hull along an axis, within a quarter turn, in rising order; 0 among them. */
function edgeTurns(hull: Point[]): number[] {
  const turns = hull.map((a, i) => {
    const b = hull[(i + 1) % hull.length];
    const deg = -toDeg(Math.atan2(b.yMm - a.yMm, b.xMm - a.xMm));
    return ((deg % 90) + 90) % 90;
  });
  return [...new Set([0, ...turns])].sort((a, b) => a - b);
}

/**
 * The rectangle of least area around points: one of its sides lies along an edge of the convex hull
 * (H. Freeman and R. Shapira, 1975).
 */
export function smallestRectangle(points: Point[]): Rectangle {
  const hull = convexHull(points);
  const area = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) => widthMm * heightMm;
  return edgeTurns(hull)
    .map((angleDeg) => ({ ...extentAt(hull, angleDeg), angleDeg }))
    .reduce((best, each) => (area(each) < area(best) - 1e-9 ? each : best));
}

/** The farthest two of the hull seen along an axis turned by an angle: that chord decides the width there. */
function widestChord(hull: Point[], angleDeg: number, axis: "xMm" | "yMm"): [Point, Point] {
  const turned = hull.map((p) => rotate(p, angleDeg)[axis]);
  return [hull[turned.indexOf(Math.min(...turned))], hull[turned.indexOf(Math.max(...turned))]];
}

/** Turn at which width / bedWidth equals height / bedHeight, between two turns without an edge turn in between. */
function balancedTurn(
  hull: Point[],
  fromDeg: number,
  toDegree: number,
  bed: { widthMm: number; heightMm: number },
): number | null {
  const middle = (fromDeg + toDegree) / 2;
  const chord = (axis: "xMm" | "yMm") => {
    const [a, b] = widestChord(hull, middle, axis);
    const length = distanceMm(a, b);
    const angle = Math.atan2(b.yMm - a.yMm, b.xMm - a.xMm);
    // Extent along x after a turn t is length · cos(angle + t); along y it is length · sin(angle + t).
    return axis === "xMm"
      ? { c: length * Math.cos(angle), s: -length * Math.sin(angle) }
      : { c: length * Math.sin(angle), s: length * Math.cos(angle) };
  };
  const [w, h] = [chord("xMm"), chord("yMm")];
  // (w.c cos t + w.s sin t) / W = (h.c cos t + h.s sin t) / H, solved for tan t.
  const [a, b] = [w.c / bed.widthMm - h.c / bed.heightMm, h.s / bed.heightMm - w.s / bed.widthMm];
  const t = toDeg(Math.atan2(a, b));
  const turn = ((t % 180) + 180) % 180;
  return [turn, turn - 180].find((deg) => deg > fromDeg && deg < toDegree) ?? null;
}

export interface BedFit {
  fits: boolean;
  /** Turn of the shape, clockwise, at which it lies best. */
  angleDeg: number;
  /** Largest of width and height as a share of the bed's, at that turn: 1 just fits. */
  fill: number;
}

/**
 * Whether a shape fits a rectangular bed, at any turn. Between edge turns width and height are each one cosine, which
 * bends downwards there, so the best turn is an edge turn or one where both are the same share of the bed.
 */
export function fitInto(points: Point[], bed: { widthMm: number; heightMm: number }): BedFit {
  const hull = convexHull(points);
  const fillAt = (angleDeg: number) => {
    const { widthMm, heightMm } = extentAt(hull, angleDeg);
    return Math.max(widthMm / bed.widthMm, heightMm / bed.heightMm);
  };
  const quarter = edgeTurns(hull);
  const turns = [...quarter, ...quarter.map((deg) => deg + 90), 180];
  const balanced = turns.slice(1).map((to, i) => balancedTurn(hull, turns[i], to, bed));
  const all = [...turns, ...balanced.filter((deg): deg is number => deg !== null)];
  // Upright first, then the smallest turn among equals.
  const best = all
    .map((angleDeg) => ({ angleDeg, fill: fillAt(angleDeg) }))
    .sort((a, b) => a.angleDeg - b.angleDeg)
    .reduce((least, each) => (each.fill < least.fill - 1e-9 ? each : least));
  const upright = fillAt(0);
  const chosen = upright <= 1 ? { angleDeg: 0, fill: upright } : best;
  return { fits: chosen.fill <= 1 + 1e-9, angleDeg: chosen.angleDeg, fill: chosen.fill };
}
