import type { Design } from "../document/schema";
import { matrixParts, planPartInOrder, usualMatrixWish } from "../matrix/planMatrix";
import type { MatrixShape } from "../matrix/planReadingOrder";
import { restDirect, adoptMatrixCells } from "./wiring";

/**
 * Shares out the switches of matrices and direct wiring over one matrix in reading order, and wires the rest (encoders,
 * lamps) direct. Locked switches keep their cells. The diode direction stays, or is column to row for a new matrix.
 */
export function shareOutMatrix(design: Design, shape: MatrixShape): Design {
  const parts = matrixParts(design, { ...usualMatrixWish, lines: shape });
  return restDirect(
    adoptMatrixCells(
      design,
      parts.flatMap((part) => planPartInOrder(part) ?? []),
    ),
  );
}
