import type { Cell } from "../circuits/matrix";
import type { Point } from "../geometry/point";
import { type Distances, distancesOf, treeMm } from "../optimisation/spanningTree";

/** One switch to be given a row and a column. */
export interface MatrixKey {
  id: string;
  /** Where its row's and its column's wire end. */
  rowAt: Point;
  columnAt: Point;
  /** The cell it must keep. */
  locked: Cell | null;
}

export interface MatrixProblem {
  keys: MatrixKey[];
  rows: number;
  columns: number;
}

/** A problem with its distances worked out. */
export interface MeasuredProblem extends MatrixProblem {
  rowMm: Distances;
  columnMm: Distances;
}

export const measured = (problem: MatrixProblem): MeasuredProblem => ({
  ...problem,
  rowMm: distancesOf(problem.keys.map(({ rowAt }) => rowAt)),
  columnMm: distancesOf(problem.keys.map(({ columnAt }) => columnAt)),
});

/** Which key is where: row and column of each key, by index. */
export interface Assignment {
  row: Int32Array;
  column: Int32Array;
}

export const cellsOf = ({ keys }: MatrixProblem, { row, column }: Assignment): Record<string, Cell> =>
  Object.fromEntries(keys.map(({ id }, nth) => [id, { row: row[nth], column: column[nth] }]));

export function assignmentOf({ keys }: MatrixProblem, cells: Record<string, Cell>): Assignment {
  return {
    row: Int32Array.from(keys, ({ id }) => cells[id].row),
    column: Int32Array.from(keys, ({ id }) => cells[id].column),
  };
}

/** Key indices of each line. */
export function linesOf(of: Int32Array, count: number): number[][] {
  const lines: number[][] = Array.from({ length: count }, () => []);
  of.forEach((line, key) => lines[line].push(key));
  return lines;
}

/** All row and column wires together, each line along its shortest tree, in mm. */
export function totalWireMm(problem: MeasuredProblem, { row, column }: Assignment): number {
  const n = problem.keys.length;
  const rows = linesOf(row, problem.rows).reduce((sum, line) => sum + treeMm(line, problem.rowMm, n), 0);
  return linesOf(column, problem.columns).reduce((sum, line) => sum + treeMm(line, problem.columnMm, n), rows);
}
