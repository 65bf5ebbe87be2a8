import { boundsOf } from "../geometry/outline";
import { type Point, point, rotate } from "../geometry/point";
import { type Ring, isInside } from "../geometry/ring";
import type { CasePlan } from "./casePlan";

/** A wedge glued under the case: its footprint on the mat, and where it lies from the edge that the case then stands on. */
export interface Foot {
  name: string;
  footprint: Ring;
  /** Heights under the case's back at its near and far side, in mm. */
  nearMm: number;
  farMm: number;
}

export interface Feet {
  feet: Foot[];
  /** The direction in which the desk falls away from the case's back, on the mat, of length 1. */
  away: Point;
  /** The edge it stands on, along that direction. */
  pivotMm: number;
  tiltDeg: number;
}

const FOOT_MM = { across: 18, along: 12 };
const STEP_MM = 2;
/** A lower wedge cannot be printed well. */
const LEAST_MM = 0.6;

const dot = (p: Point, d: Point) => p.xMm * d.xMm + p.yMm * d.yMm;

function rectangle(at: Point, turnDeg: number): Ring {
  const [x, y] = [FOOT_MM.across / 2, FOOT_MM.along / 2];
  return [point(-x, -y), point(x, -y), point(x, y), point(-x, y)].map((corner) => {
    const turned = rotate(corner, turnDeg);
    return point(at.xMm + turned.xMm, at.yMm + turned.yMm);
  });
}

/** Middles at which a footprint lies wholly under the case, as far along a direction as any does, and one footprint less. */
function farPlaces(outside: Ring, turnDeg: number, away: Point): Point[] {
  const extent = boundsOf([{ core: outside.map((p) => rotate(p, -turnDeg)), radiusMm: 0 }])!;
  const isUp = rotate(away, -turnDeg).yMm < 0;
  const places: Point[] = [];
  // Row by row from the far side, until the rows lie one footprint nearer than the first that had a place.
  let first: number | null = null;
  for (let by = 0; by <= extent.maxYMm - extent.minYMm; by += STEP_MM) {
    if (first !== null && by > first + FOOT_MM.along) break;
    const y = isUp ? extent.minYMm + by : extent.maxYMm - by;
    for (let x = extent.minXMm; x <= extent.maxXMm; x += STEP_MM) {
      const at = rotate(point(x, y), turnDeg);
      if (rectangle(at, turnDeg).every((corner) => isInside(corner, outside))) places.push(at);
    }
    if (first === null && places.length > 0) first = by;
  }
  return places;
}

/**
 * Two wedges as far from the standing edge and from each other as lie wholly under the case.
 * Height of a wedge at a distance s from the edge the case stands on: s · tan(tilt).
 * @param outside the case's outline on the mat
 */
export function feetOf({ settings: { tiltDeg }, turnDeg }: CasePlan, outside: Ring): Feet | null {
  if (tiltDeg === 0) return null;
  // Towards the person is down on the mat; with the front higher the wedges lie there.
  const rearwards = rotate(point(0, -1), turnDeg);
  const away = tiltDeg > 0 ? rearwards : point(-rearwards.xMm, -rearwards.yMm);
  const pivotMm = Math.min(...outside.map((p) => dot(p, away)));
  const rear = farPlaces(outside, turnDeg, away);
  if (rear.length === 0) return null;
  const side = (p: Point) => rotate(p, -turnDeg).xMm;
  const left = rear.reduce((best, p) => (side(p) < side(best) - 1e-9 ? p : best));
  const right = rear.reduce((best, p) => (side(p) > side(best) + 1e-9 ? p : best));
  const tan = Math.tan((Math.abs(tiltDeg) * Math.PI) / 180);
  const foot = (name: string, at: Point): Foot => {
    const footprint = rectangle(at, turnDeg);
    const reach = footprint.map((p) => (dot(p, away) - pivotMm) * tan);
    return { name, footprint, nearMm: Math.min(...reach), farMm: Math.max(...reach) };
  };
  const feet = (left === right ? [foot("foot", left)] : [foot("left foot", left), foot("right foot", right)]).filter(
    ({ farMm }) => farMm > LEAST_MM,
  );
  return feet.length === 0 ? null : { feet, away, pivotMm, tiltDeg };
}
