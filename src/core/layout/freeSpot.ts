import type { Design } from "../design/schema";
import { derive } from "../design/derive";
import { type Control, kindNamed } from "../catalogue/kinds";
import { clearanceMm } from "./clearance";
import { placeOutline } from "./outline";
import { type Point, point } from "./point";

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
