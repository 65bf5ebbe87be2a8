import type { Board, Design } from "../document/schema";
import { type Span, spansOf } from "./bending";
import type { PlateMaterial } from "../document/makingSettings";

/** A bend that a finger feels (from memory). */
export const FELT_MM = 0.5;

export const isSoft = (material: PlateMaterial): boolean => material === "printed" || material === "acrylic";

/** The part of a board under which its plate gives most, or null where nothing is pressed. */
export const worstSpan = (design: Design, boardIndex: number): Span | null =>
  spansOf(design, boardIndex).reduce<Span | null>(
    (most, span) => (!most || span.deflectionMm > most.deflectionMm ? span : most),
    null,
  );

/** The same board with a plate that a finger does not feel bending: aluminium of the thickness its switches clip to. */
export const inAluminium = (board: Board): Board => ({ ...board, plate: { ...board.plate, material: "aluminium" } });

/** A design whose soft plates are stiff where a press would be felt. */
export function stiffPlates(design: Design): Design {
  const isFelt = (nth: number) => (worstSpan(design, nth)?.deflectionMm ?? 0) > FELT_MM;
  const felt = design.boards.map((board, nth) => isSoft(board.plate.material) && isFelt(nth));
  return felt.includes(true)
    ? { ...design, boards: design.boards.map((board, nth) => (felt[nth] ? inAluminium(board) : board)) }
    : design;
}
