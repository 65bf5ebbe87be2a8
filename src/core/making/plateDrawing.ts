import { kindOf } from "../catalogue/kinds";
import type { Board, Design } from "../document/schema";
import { derive } from "../derived/derive";
import { boardRings } from "../layout/boardOutline";
import { closePairs } from "../geometry/closePairs";
import { grown, offsetRing, rounded } from "../geometry/offsetRing";
import type { Outline } from "../geometry/outline";
import { type Ring, clockwise, outlineRing } from "../geometry/ring";
import { unionOf } from "../geometry/ringSets";

export interface DrawnCap {
  kind: string;
  label: string;
  xMm: number;
  yMm: number;
  rotationDeg: number;
  pieces: Ring[];
}

/** All lines of one board's plate, on the mat's coordinates. */
export interface PlateDrawing {
  board: Board;
  edge: Ring;
  openings: Ring[];
  /** The layer beneath, opened wider; empty when the design has none. */
  reinforcement: Ring[];
  caps: DrawnCap[];
}

/** Rings of outlines; those that run into each other become one. */
function joined(outlines: Outline[]): Ring[] {
  const touching = new Set(closePairs(outlines, 1e-6).flatMap(({ a, b }) => [a, b]));
  const single = outlines.filter((_, i) => !touching.has(i)).map((outline) => outlineRing(outline));
  const together = unionOf(outlines.filter((_, i) => touching.has(i)).map((outline) => outlineRing(outline)));
  return [...single, ...together.map(({ edge }) => clockwise(edge))];
}

const present = (outlines: (Outline | null)[]): Outline[] => outlines.filter((outline) => outline !== null);

/**
 * The plates of a design. A cutter takes half its kerf on both sides of a line, so openings are drawn smaller and edges
 * larger by half of it; corners of openings get at least the fillet's radius.
 * @param forPrint whether all are printed, whatever they are made of otherwise
 */
export function plateDrawings(design: Design, forPrint = false): PlateDrawing[] {
  const { openings } = derive(design);
  const { filletMm, reinforceClearMm, reinforceMm } = design.making;
  return design.boards.flatMap((board, nth) => {
    const edge = boardRings(design)[nth];
    if (!edge) return [];
    // A printer leaves no kerf: its lines are where they are drawn.
    const kerfMm = forPrint || board.plate.material === "printed" ? 0 : design.making.kerfMm;
    const own = openings
      .filter(({ owner }) => design.controls[owner].placement.boardId === board.id)
      .map(({ outline }) => rounded(outline, filletMm));
    const cut = (by: number) => joined(present(own.map((outline) => grown(outline, by - kerfMm / 2))));
    return [
      {
        board,
        edge: offsetRing(edge, kerfMm / 2),
        openings: cut(0),
        reinforcement: reinforceMm > 0 ? cut(reinforceClearMm) : [],
        caps: capsOf(design, board.id),
      },
    ];
  });
}

function capsOf(design: Design, boardId: string): DrawnCap[] {
  const { capPieces } = derive(design);
  return design.controls.flatMap((control, nth) => {
    const { placement, label } = control;
    if (placement.boardId !== boardId) return [];
    const pieces = capPieces.filter(({ owner }) => owner === nth).map(({ outline }) => outlineRing(outline));
    const { xMm, yMm, rotationDeg } = placement;
    return [{ kind: kindOf(control).kind, label, xMm, yMm, rotationDeg, pieces }];
  });
}
