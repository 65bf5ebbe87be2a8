import { offsetRing } from "../geometry/offsetRing";
import { type Point, distanceMm, point, rotate } from "../geometry/point";
import { type Ring, isInside } from "../geometry/ring";
import { type CasePlan, wayOutMm } from "./casePlan";
import { stripAlong } from "./openings";
import { screwSizes } from "./screwSizes";

/** A sheet of the case between two heights above the plate's front. */
export interface Sheet {
  name: "FLOOR" | "FRAME" | "COVER";
  fromMm: number;
  toMm: number;
}

/** Screws along the frame stand at most so far apart (from memory). */
const SCREW_EVERY_MM = 75;
/** Free of a screw on both sides of a way for a plug. */
const BESIDE_MM = 4;
export const FRAME_SCREW = screwSizes.find(({ name }) => name === "M3")!;
/** Material on both sides of a screw in the frame. */
export const LEAST_FRAME_MM = FRAME_SCREW.clearanceMm + 4;

/** The sheets of a case from the floor up. */
export function sheetsOf({ settings: { sheetMm }, floorMm, backMm, seatMm, rimMm }: CasePlan): Sheet[] {
  const stacked = (name: Sheet["name"], from: number, count: number): Sheet[] =>
    Array.from({ length: count }, (_, nth) => ({
      name,
      fromMm: from + nth * sheetMm,
      toMm: from + (nth + 1) * sheetMm,
    }));
  const frames = Math.round((seatMm - floorMm) / sheetMm);
  const covers = Math.ceil((rimMm - seatMm) / sheetMm - 1e-9);
  return [
    { name: "FLOOR", fromMm: backMm, toMm: floorMm },
    ...stacked("FRAME", floorMm, frames),
    ...stacked("COVER", seatMm, covers),
  ];
}

/** Places along the middle of the frame, evenly, beside ways for plugs. */
export function frameScrews(plan: CasePlan): Point[] {
  const { edge, settings, openings } = plan;
  const ring = offsetRing(edge, settings.clearMm + settings.wallMm / 2);
  const length = ring.reduce((sum, p, nth) => sum + distanceMm(p, ring[(nth + 1) % ring.length]), 0);
  const count = Math.max(4, Math.ceil(length / SCREW_EVERY_MM));
  const strips = openings.map((opening) =>
    stripAlong(
      { ...opening, widthMm: opening.widthMm + 2 * BESIDE_MM + FRAME_SCREW.clearanceMm },
      1,
      wayOutMm(plan, opening) + 1,
    ),
  );
  const isFree = (p: Point) => strips.every((strip) => !isInside(p, strip));
  const start = cornerAlong(ring, plan.turnDeg);
  return Array.from({ length: count }, (_, nth) => {
    for (let by = 0; by < length / count / 2; by += 1)
      for (const sign of [1, -1]) {
        const p = placeAlong(ring, (start + (length * nth) / count + sign * by + length) % length);
        if (isFree(p)) return p;
      }
    return null;
  }).filter((p) => p !== null);
}

/** How far along a ring its upper left corner lies, in the frame that most parts share. */
function cornerAlong(ring: Ring, turnDeg: number): number {
  let [best, at, along] = [Infinity, 0, 0];
  ring.forEach((p, nth) => {
    const { xMm, yMm } = rotate(p, -turnDeg);
    if (xMm + yMm < best) [best, at] = [xMm + yMm, along];
    along += distanceMm(p, ring[(nth + 1) % ring.length]);
  });
  return at;
}

function placeAlong(ring: Ring, alongMm: number): Point {
  let left = alongMm;
  for (const [nth, p] of ring.entries()) {
    const q = ring[(nth + 1) % ring.length];
    const length = distanceMm(p, q);
    if (left <= length && length > 0)
      return point(p.xMm + ((q.xMm - p.xMm) * left) / length, p.yMm + ((q.yMm - p.yMm) * left) / length);
    left -= length;
  }
  return ring[0];
}
