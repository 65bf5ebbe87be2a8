import type { Cell } from "../circuits/matrix";
import { type Placed, readingRows } from "../layout/readingOrder";

/**
 * `as-laid-out`: a matrix row for each row a reader sees, the plainest to program.
 * `fewest-pins`: rows and columns as near to a square as they go, filled in reading order.
 */
export type MatrixShape = "as-laid-out" | "fewest-pins";

export interface MatrixPlan {
  cells: Record<string, Cell>;
  rows: number;
  columns: number;
}

/** The firmware's lines are counted in one byte and shown on flags; more on one side helps nobody. */
const MOST_LINES = 32;

/**
 * Rows and columns for n switches with the fewest pins: the least r + c with r · c ≥ n, r ≤ c.
 * r = ⌊√n⌋ or, when that leaves some over, c grows first (common practice: balanced is best).
 */
export function fewestLines(count: number): { rows: number; columns: number } {
  if (count === 0) return { rows: 0, columns: 0 };
  let best = { rows: 1, columns: count };
  for (let rows = 1; rows * rows <= count; rows++) {
    const columns = Math.ceil(count / rows);
    if (rows + columns <= best.rows + best.columns) best = { rows, columns };
  }
  return best;
}

function filled(order: Placed[], columns: number): Record<string, Cell> {
  return Object.fromEntries(
    order.map(({ id }, nth) => [id, { row: Math.floor(nth / columns), column: nth % columns }]),
  );
}

/**
 * Shares out rows and columns in reading order (row by row, left to right).
 * @param toleranceMm how far a key may lie from its neighbours' line and still be in their row
 */
export function planReadingOrder(switches: Placed[], shape: MatrixShape, toleranceMm: number): MatrixPlan {
  const read = readingRows(switches, toleranceMm);
  const longest = Math.max(0, ...read.map((row) => row.length));
  if (shape === "as-laid-out" && read.length <= MOST_LINES && longest <= MOST_LINES) {
    const cells = Object.fromEntries(read.flatMap((line, row) => line.map(({ id }, column) => [id, { row, column }])));
    return { cells, rows: read.length, columns: longest };
  }
  const { rows, columns } = fewestLines(switches.length);
  return { cells: filled(read.flat(), Math.max(1, columns)), rows, columns };
}
