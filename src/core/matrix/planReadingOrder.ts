import type { Cell } from "../circuits/matrix";
import { type Placed, readingRows } from "../geometry/readingOrder";

/**
 * `as-laid-out`: a matrix row for each row a reader sees, the plainest to program; a row with fewer switches than the
 * longest takes the columns above it, from left to right.
 * `fewest-pins`: rows and columns as near to a square as they go, filled in reading order.
 */
export type MatrixShape = "as-laid-out" | "fewest-pins";

export interface MatrixCells {
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
 * Columns for one row, from left to right, so that the switches lie as near beneath their columns as they can.
 * Dynamic programme over (switches placed, columns passed): the least sum of sideways distances.
 * @param columnsXMm where the columns run, at least as many as there are switches
 */
export function columnsFor(xsMm: number[], columnsXMm: number[]): number[] {
  const least = xsMm.map(() => new Array<number>(columnsXMm.length).fill(Infinity));
  const from = xsMm.map(() => new Array<number>(columnsXMm.length).fill(-1));
  xsMm.forEach((x, nth) => {
    let best = nth === 0 ? 0 : Infinity;
    let bestColumn = -1;
    columnsXMm.forEach((columnX, column) => {
      if (nth > 0 && column > 0 && least[nth - 1][column - 1] < best) {
        best = least[nth - 1][column - 1];
        bestColumn = column - 1;
      }
      least[nth][column] = best + Math.abs(x - columnX);
      from[nth][column] = bestColumn;
    });
  });
  const columns: number[] = [];
  let column = least.length === 0 ? -1 : least.at(-1)!.reduce((b, cost, c, all) => (cost < all[b] ? c : b), 0);
  for (let nth = xsMm.length - 1; nth >= 0; nth--) {
    columns.unshift(column);
    column = from[nth][column];
  }
  return columns;
}

function asLaidOut(rows: Placed[][]): Record<string, Cell> {
  const longest = rows.reduce((a, b) => (b.length > a.length ? b : a), []);
  const columnsXMm = longest.map(({ at }) => at.xMm);
  return Object.fromEntries(
    rows.flatMap((line, row) => {
      const columns = columnsFor(
        line.map(({ at }) => at.xMm),
        columnsXMm,
      );
      return line.map(({ id }, nth) => [id, { row, column: columns[nth] }]);
    }),
  );
}

/**
 * Shares out rows and columns in reading order (row by row, left to right).
 * @param toleranceMm how far a key may lie from its neighbours' line and still be in their row
 */
export function planReadingOrder(switches: Placed[], shape: MatrixShape, toleranceMm: number): MatrixCells {
  const read = readingRows(switches, toleranceMm);
  const longest = Math.max(0, ...read.map((row) => row.length));
  if (shape === "as-laid-out" && read.length <= MOST_LINES && longest <= MOST_LINES) {
    return { cells: asLaidOut(read), rows: read.length, columns: longest };
  }
  const { rows, columns } = fewestLines(switches.length);
  return { cells: filled(read.flat(), Math.max(1, columns)), rows, columns };
}
