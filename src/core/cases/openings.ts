import { derive } from "../derived/derive";
import type { Board, Design } from "../document/schema";
import { type Point, point } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import { edgeOf } from "../making/boardMade";
import type { Stack } from "../making/stack";
import { boardOfAdded } from "../wires/wires";

/** A way through the wall, as wide and high as what goes through it. */
export interface Opening {
  /** What it is for. */
  title: string;
  controllerId: string | null;
  /** Where what goes through it begins, on the mat, and where it goes to. */
  at: Point;
  outward: Point;
  widthMm: number;
  fromMm: number;
  toMm: number;
  /** What a plug can reach; null for a cable. */
  plugMm: number | null;
}

/** A plug goes in by hand: half a mm of air on each side. */
const AIR_MM = 0.5;
/** A round cable of four to six conductors, with its sleeve (from memory). */
const CABLE_MM = 6;

/** The nearest place on an edge, and the way out through it. */
function nearestOut(edge: Ring, p: Point): { at: Point; outward: Point } {
  let best = Infinity;
  let way = { at: p, outward: point(0, -1) };
  edge.forEach((a, nth) => {
    const b = edge[(nth + 1) % edge.length];
    const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
    const length = Math.hypot(dx, dy);
    if (length < 1e-9) return;
    const along = Math.max(0, Math.min(1, ((p.xMm - a.xMm) * dx + (p.yMm - a.yMm) * dy) / (length * length)));
    const at = point(a.xMm + dx * along, a.yMm + dy * along);
    const away = Math.hypot(p.xMm - at.xMm, p.yMm - at.yMm);
    // Edges run clockwise on the mat: outside lies on their left.
    if (away < best - 1e-9) [best, way] = [away, { at, outward: point(dy / length, -dx / length) }];
  });
  return way;
}

interface Heights {
  seatMm: number;
  floorMm: number;
}

/** Cables to other parts leave by the shortest way, half way between plate and floor. */
function cableOpenings(design: Design, board: Board, { seatMm, floorMm }: Heights): Opening[] {
  const edge = edgeOf(design, board)!;
  const middle = (seatMm + floorMm) / 2;
  return derive(design)
    .chips.filter(({ id, part }) => /-plug$/.test(part) && boardOfAdded(id, design) === board.id)
    .map(({ label, at }) => ({
      title: `cable of ${label}`,
      controllerId: null,
      ...nearestOut(edge, at),
      widthMm: CABLE_MM + 2 * AIR_MM,
      fromMm: Math.max(floorMm, middle - CABLE_MM / 2),
      toMm: Math.min(seatMm, middle + CABLE_MM / 2),
      plugMm: null,
    }));
}

/** The ways through a case's wall: plugs of modules, and cables to other parts. */
export function openingsOf(design: Design, board: Board, stack: Stack, heights: Heights): Opening[] {
  const plugs = stack.plugs.map(({ controllerId, at, outward, plugMm, middleMm, widthMm, heightMm }): Opening => {
    const nth = design.controllers.findIndex(({ id }) => id === controllerId);
    return {
      title: `plug of A${nth + 1}`,
      controllerId,
      at,
      outward,
      widthMm: widthMm + 2 * AIR_MM,
      fromMm: middleMm - heightMm / 2 - AIR_MM,
      toMm: middleMm + heightMm / 2 + AIR_MM,
      plugMm,
    };
  });
  return [...plugs, ...cableOpenings(design, board, heights)];
}

/** A strip along a way, from a little before its start. */
export function stripAlong({ at, outward, widthMm }: Opening, backMm: number, toMm: number): Ring {
  const place = (along: number, across: number): Point =>
    point(at.xMm + outward.xMm * along - outward.yMm * across, at.yMm + outward.yMm * along + outward.xMm * across);
  const half = widthMm / 2;
  return [place(-backMm, -half), place(toMm, -half), place(toMm, half), place(-backMm, half)];
}
