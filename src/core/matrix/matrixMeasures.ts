import { type Assignment, type MeasuredProblem, linesOf } from "./matrixProblem";
import { type TreeEdge, treeEdges, treeMm } from "../optimisation/spanningTree";
import { crosses } from "../geometry/segment";

export interface MatrixMeasures {
  wireMm: number;
  longestRowMm: number;
  longestColumnMm: number;
  /** Rows that cross rows, and columns that cross columns: a better plan has none of them. */
  alike: number;
  /** Rows that cross columns: there one of the two must be insulated. */
  rowsOverColumns: number;
}

type Wire = [{ xMm: number; yMm: number }, { xMm: number; yMm: number }, number];

function crossings(some: Wire[], others: Wire[]): number {
  let count = 0;
  for (const [a, b, line] of some)
    for (const [c, d, other] of others) if (line !== other && crosses(a, b, c, d)) count += 1;
  return count;
}

/** What a plan comes to on the bench: each line along its shortest tree. */
export function measuresOf(problem: MeasuredProblem, { row, column }: Assignment): MatrixMeasures {
  const { keys, rowMm, columnMm } = problem;
  const n = keys.length;
  const rows = linesOf(row, problem.rows);
  const columns = linesOf(column, problem.columns);
  const rowLengths = rows.map((line) => treeMm(line, rowMm, n));
  const columnLengths = columns.map((line) => treeMm(line, columnMm, n));
  const rowWires = rows.flatMap((line, nth) =>
    treeEdges(line, rowMm, n).map(({ a, b }: TreeEdge): Wire => [keys[a].rowAt, keys[b].rowAt, nth]),
  );
  const columnWires = columns.flatMap((line, nth) =>
    treeEdges(line, columnMm, n).map(({ a, b }: TreeEdge): Wire => [keys[a].columnAt, keys[b].columnAt, nth]),
  );
  const sum = (lengths: number[]) => lengths.reduce((a, b) => a + b, 0);
  return {
    wireMm: sum(rowLengths) + sum(columnLengths),
    longestRowMm: Math.max(0, ...rowLengths),
    longestColumnMm: Math.max(0, ...columnLengths),
    alike: (crossings(rowWires, rowWires) + crossings(columnWires, columnWires)) / 2,
    rowsOverColumns: crossings(
      rowWires,
      columnWires.map(([a, b]): Wire => [a, b, -1]),
    ),
  };
}
