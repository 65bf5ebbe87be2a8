import type { Design } from "../document/schema";
import { derive } from "../derived/derive";
import { type Control, kindNamed } from "../catalogue/kinds";
import { clearanceMm } from "../geometry/clearance";
import { placeOutline } from "../geometry/outline";
import { type Point, point } from "../geometry/point";

/** Where the next control of a kind would go: to the right of the given one, past whatever is there already. */
export function freeSpot(design: Design, kind: Control["kind"], afterId: string | null): Point {
  const derived = derive(design);
  const { capPieces, controls } = derived;
  const after = (afterId ? controls.get(afterId) : undefined) ?? design.controls.at(-1);
  if (!after) return point(0, 0);
  const maker = kindNamed(kind);
  const probe = maker.fresh("probe", "probe", after.placement);
  const cap = maker.cap(probe, design.pitch, derived.partOf(probe));
  const { yMm, boardId } = after.placement;
  for (let step = 1; ; step++) {
    const xMm = after.placement.xMm + step * design.pitch.xMm;
    const pieces = cap.map((piece) => placeOutline(piece, { xMm, yMm, rotationDeg: 0 }));
    const isClear = capPieces.every(
      (other) =>
        design.controls[other.owner].placement.boardId !== boardId ||
        pieces.every((piece) => clearanceMm(piece, other.outline) > 0.5),
    );
    if (isClear) return point(xMm, yMm);
  }
}
