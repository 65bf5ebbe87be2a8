import type { Point } from "../geometry/point";
import type { Assembled, AssembledNet, Bond } from "./assembled";

/** Where two pieces of metal of different nets come close. */
export interface Nearness {
  a: AssembledNet;
  b: AssembledNet;
  at: Point;
  sort: "neighbour" | "crossing";
  boardId: string;
}

/** Nearer to an end than this two wires meet at a joint and do not cross. */
const END_MM = 0.5;

/** Where wires of different nets cross on one board: what lies between them there is insulation, or air. */
export function crossings(assembled: Assembled): Nearness[] {
  const wires = [...assembled.bonds.values()].filter(
    ({ sort, aAt, bAt }) =>
      (sort === "wire" || sort === "track") && Math.hypot(aAt.xMm - bAt.xMm, aAt.yMm - bAt.yMm) > END_MM,
  );
  const boxed = wires.map((bond) => ({ bond, ...boxOf(bond) })).sort((one, other) => one.left - other.left);
  const found: Nearness[] = [];
  boxed.forEach((one, nth) => {
    for (let next = nth + 1; next < boxed.length && boxed[next].left <= one.right; next++) {
      const other = boxed[next];
      if (one.bond.netId === other.bond.netId || one.bond.boardId !== other.bond.boardId) continue;
      if (one.top > other.bottom || other.top > one.bottom) continue;
      const at = meetingOf(one.bond, other.bond);
      if (!at) continue;
      const [a, b] = [assembled.nets.get(one.bond.netId)!, assembled.nets.get(other.bond.netId)!];
      found.push({ a, b, at, sort: "crossing", boardId: one.bond.boardId });
    }
  });
  return found;
}

const boxOf = ({ aAt, bAt }: Bond) => ({
  left: Math.min(aAt.xMm, bAt.xMm),
  right: Math.max(aAt.xMm, bAt.xMm),
  top: Math.min(aAt.yMm, bAt.yMm),
  bottom: Math.max(aAt.yMm, bAt.yMm),
});

/** Where two straight wires cross, away from their ends; null where they do not. */
function meetingOf(one: Bond, other: Bond): Point | null {
  const [p, q] = [one.aAt, other.aAt];
  const r = { x: one.bAt.xMm - p.xMm, y: one.bAt.yMm - p.yMm };
  const s = { x: other.bAt.xMm - q.xMm, y: other.bAt.yMm - q.yMm };
  const turn = r.x * s.y - r.y * s.x;
  if (Math.abs(turn) < 1e-9) return null;
  const gap = { x: q.xMm - p.xMm, y: q.yMm - p.yMm };
  const t = (gap.x * s.y - gap.y * s.x) / turn;
  const u = (gap.x * r.y - gap.y * r.x) / turn;
  const isInside = (along: number, length: number) => along * length > END_MM && (1 - along) * length > END_MM;
  if (!isInside(t, Math.hypot(r.x, r.y)) || !isInside(u, Math.hypot(s.x, s.y))) return null;
  return { xMm: p.xMm + t * r.x, yMm: p.yMm + t * r.y };
}
