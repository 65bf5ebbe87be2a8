import type { Cell } from "../circuits/matrix";
import { readingRows } from "../geometry/readingOrder";
import { planReadingOrder } from "./planReadingOrder";
import { type Assignment, type MatrixProblem, assignmentOf } from "./matrixProblem";

/** Keys sorted one way, cut into equal lines, and each line sorted the other way. */
function banded({ keys, rows, columns }: MatrixProblem, first: "row" | "column"): Record<string, Cell> {
  const lines = first === "row" ? rows : columns;
  const across = (nth: number) => (first === "row" ? keys[nth].rowAt.yMm : keys[nth].columnAt.xMm);
  const along = (nth: number) => (first === "row" ? keys[nth].rowAt.xMm : keys[nth].columnAt.yMm);
  const order = keys.map((_, nth) => nth).sort((a, b) => across(a) - across(b));
  const cells: Record<string, Cell> = {};
  for (let line = 0, from = 0; line < lines; line++) {
    const to = Math.round(((line + 1) * keys.length) / lines);
    const inLine = order.slice(from, to).sort((a, b) => along(a) - along(b));
    inLine.forEach((key, place) => {
      cells[keys[key].id] = first === "row" ? { row: line, column: place } : { row: place, column: line };
    });
    from = to;
  }
  return cells;
}

/** Moves keys out of the way of those that keep their cells: each locked key changes places with what is there. */
function withLocks({ keys }: MatrixProblem, start: Assignment): Assignment {
  const { row, column } = start;
  for (const [key, { locked }] of keys.entries()) {
    if (!locked) continue;
    const there = keys.findIndex((_, k) => row[k] === locked.row && column[k] === locked.column);
    if (there >= 0 && there !== key) {
      row[there] = row[key];
      column[there] = column[key];
    }
    row[key] = locked.row;
    column[key] = locked.column;
  }
  return start;
}

const fits = ({ rows, columns }: MatrixProblem, cells: Record<string, Cell>) => {
  const all = Object.values(cells);
  const distinct = new Set(all.map(({ row, column }) => row * 64 + column));
  return distinct.size === all.length && all.every(({ row, column }) => row < rows && column < columns);
};

/** Sensible first plans for a search, each with no two keys in a cell; at least one when the keys fit at all. */
export function startAssignments(problem: MatrixProblem, toleranceMm: number): Assignment[] {
  const placed = problem.keys.map(({ id, rowAt }) => ({ id, at: rowAt }));
  const filled = Object.fromEntries(
    readingRows(placed, toleranceMm)
      .flat()
      .map(({ id }, nth) => [id, { row: Math.floor(nth / problem.columns), column: nth % problem.columns }]),
  );
  return [
    planReadingOrder(placed, "as-laid-out", toleranceMm).cells,
    planReadingOrder(placed, "fewest-pins", toleranceMm).cells,
    filled,
    banded(problem, "row"),
    banded(problem, "column"),
  ]
    .filter((cells) => fits(problem, cells))
    .map((cells) => withLocks(problem, assignmentOf(problem, cells)));
}
