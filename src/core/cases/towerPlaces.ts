import { depthMm } from "../geometry/depth";
import { boundsOf, boxOf } from "../geometry/outline";
import { type Point, distanceMm, point, rotate } from "../geometry/point";
import { ringDepthMm } from "../geometry/ringDepth";
import { isInside } from "../geometry/ring";
import type { CasePlan } from "./casePlan";
import { stripAlong } from "./openings";
import { TOWER_WALL_MM, screwSizes, towerHole } from "./screwSizes";

const STEP_MM = 2;
/** So far apart at least: nearer ones hold nothing that the other does not. */
const APART_MM = 25;

/** Half of a tower for the smallest screw, with an insert. */
const HALF_MM = towerHole("inserts", screwSizes[0]).holeMm / 2 + TOWER_WALL_MM;

/** Half of the collar of the usual standoff on the plate. */
const BODY_MM = 2;

/**
 * Places for up to four towers, one near each corner of a board in the frame that most parts share, clear of everything above and below the plate.
 * Fewer where there is no room; none where a plate has no free place at all.
 */
export function towerPlaces({ board, edge, ledgeMm, keepOuts, openings, turnDeg }: CasePlan): Point[] {
  const extent = boundsOf([{ core: edge.map((p) => rotate(p, -turnDeg)), radiusMm: 0 }])!;
  const rooms = keepOuts.map(({ outline }) => ({ outline, box: boxOf(outline) }));
  // An edge that follows what the board carries would move outwards for one that stands in its margin.
  const leastMm = Math.max(HALF_MM + ledgeMm + 0.2, board.outline ? 0 : board.marginMm + BODY_MM);
  // Plugs and cables keep their ways, and a hand its room behind the plug.
  const ways = openings.map((opening) =>
    stripAlong({ ...opening, widthMm: opening.widthMm + 2 * HALF_MM + 2 }, HALF_MM + 1, (opening.plugMm ?? 0) + 40),
  );
  const isFree = (p: Point) =>
    ways.every((way) => !isInside(p, way)) &&
    ringDepthMm(edge, p) >= leastMm &&
    rooms.every(
      ({ outline, box: around }) =>
        p.xMm < around.minXMm - HALF_MM ||
        p.xMm > around.maxXMm + HALF_MM ||
        p.yMm < around.minYMm - HALF_MM ||
        p.yMm > around.maxYMm + HALF_MM ||
        -depthMm(outline, p) >= HALF_MM,
    );
  const free: Point[] = [];
  for (let x = extent.minXMm; x <= extent.maxXMm; x += STEP_MM)
    for (let y = extent.minYMm; y <= extent.maxYMm; y += STEP_MM) {
      const at = rotate(point(x, y), turnDeg);
      const p = point(Math.round(at.xMm * 10) / 10, Math.round(at.yMm * 10) / 10);
      if (isFree(p)) free.push(p);
    }
  const corners = [
    point(extent.minXMm, extent.minYMm),
    point(extent.maxXMm, extent.minYMm),
    point(extent.minXMm, extent.maxYMm),
    point(extent.maxXMm, extent.maxYMm),
  ].map((corner) => rotate(corner, turnDeg));
  const chosen: Point[] = [];
  for (const corner of corners) {
    const open = free.filter((p) => chosen.every((other) => distanceMm(p, other) >= APART_MM));
    if (open.length === 0) break;
    chosen.push(open.reduce((best, p) => (distanceMm(p, corner) < distanceMm(best, corner) ? p : best)));
  }
  return chosen;
}
