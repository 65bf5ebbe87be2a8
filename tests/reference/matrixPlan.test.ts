import { describe, expect, it } from "vitest";
import { randomFrom } from "@/core/optimisation/random";
import { point } from "@/core/geometry/point";
import { lowerBoundMm } from "@/core/matrix/lowerBound";
import { type Assignment, type MatrixProblem, measured, totalWireMm } from "@/core/matrix/matrixProblem";
import { shortestWiring } from "@/core/matrix/shortestWiring";
import { startAssignments } from "@/core/matrix/startAssignments";

// Source: exhaustive search. Every assignment of keys to cells is tried, and wires are joined by trying every order of
// Kruskal's choice through plain sorting, not by the planner's own tree.

const random = randomFrom(11);
const below = (n: number) => Math.floor(random() * n);

function randomKeys(count: number): MatrixProblem["keys"] {
  return Array.from({ length: count }, (_, nth) => {
    const [x, y] = [120 * random(), 60 * random()];
    return { id: `k${nth}`, rowAt: point(x + 2.5, y - 5), columnAt: point(x - 3.8, y - 2.5), locked: null };
  });
}

/** Length of the shortest tree by Kruskal's method over all pairs. */
function kruskal(places: { xMm: number; yMm: number }[]): number {
  const parent = places.map((_, i) => i);
  const root = (i: number): number => (parent[i] === i ? i : root(parent[i]));
  const pairs = places.flatMap((a, i) =>
    places.slice(i + 1).map((b, j) => ({ i, j: i + 1 + j, mm: Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) })),
  );
  let sum = 0;
  for (const { i, j, mm } of pairs.sort((a, b) => a.mm - b.mm)) {
    if (root(i) === root(j)) continue;
    parent[root(i)] = root(j);
    sum += mm;
  }
  return sum;
}

function wireOf({ keys, rows, columns }: MatrixProblem, cells: number[]): number {
  let sum = 0;
  for (let row = 0; row < rows; row++)
    sum += kruskal(keys.filter((_, k) => Math.floor(cells[k] / columns) === row).map(({ rowAt }) => rowAt));
  for (let column = 0; column < columns; column++)
    sum += kruskal(keys.filter((_, k) => cells[k] % columns === column).map(({ columnAt }) => columnAt));
  return sum;
}

function leastByTryingAll(problem: MatrixProblem): number {
  const cells = problem.rows * problem.columns;
  let least = Infinity;
  const place = (chosen: number[]) => {
    if (chosen.length === problem.keys.length) {
      least = Math.min(least, wireOf(problem, chosen));
      return;
    }
    for (let cell = 0; cell < cells; cell++) if (!chosen.includes(cell)) place([...chosen, cell]);
  };
  place([]);
  return least;
}

function planned(problem: MatrixProblem): { assignment: Assignment; wireMm: number } {
  const m = measured(problem);
  let best = { assignment: startAssignments(problem, 9)[0], wireMm: Infinity };
  for (const step of shortestWiring(m, best.assignment, 3, 3)) best = step;
  return best;
}

const SHAPES: [keys: number, rows: number, columns: number][] = [
  [3, 2, 2],
  [4, 2, 2],
  [5, 2, 3],
  [6, 2, 3],
  [6, 3, 3],
  [7, 2, 4],
];

describe("the plan with short wires", () => {
  it.each(SHAPES)(
    "of %i keys on %i × %i is the shortest there is, and its bound is not above it",
    (count, rows, columns) => {
      const rounds = count >= 7 || rows * columns > 6 ? 2 : 6;
      for (let round = 0; round < rounds; round++) {
        const problem = { keys: randomKeys(count), rows, columns };
        const least = leastByTryingAll(problem);
        const { wireMm } = planned(problem);
        expect(wireMm).toBeCloseTo(least, 6);
        expect(lowerBoundMm(measured(problem))).toBeLessThanOrEqual(least + 1e-6);
      }
    },
    120_000,
  );

  it("never puts two keys in a cell, measures itself right, and stays above its bound, on random boards", () => {
    for (let round = 0; round < 12; round++) {
      const count = 8 + below(30);
      const rows = 2 + below(5);
      const columns = Math.ceil(count / rows) + below(3);
      const problem = { keys: randomKeys(count), rows, columns };
      const { assignment, wireMm } = planned(problem);
      const cells = Array.from(assignment.row, (row, key) => row * columns + assignment.column[key]);
      expect(new Set(cells).size).toBe(count);
      expect(wireMm).toBeCloseTo(wireOf(problem, cells), 6);
      expect(totalWireMm(measured(problem), assignment)).toBeCloseTo(wireMm, 6);
      expect(wireMm).toBeGreaterThanOrEqual(lowerBoundMm(measured(problem)) - 1e-6);
    }
  }, 120_000);

  // Common practice: a straight grid is wired along its rows and down its columns, and nothing is shorter.
  it("of a straight grid is its rows and columns, and the bound meets it", () => {
    const keys = Array.from({ length: 24 }, (_, nth) => {
      const at = point((nth % 6) * 19.05, Math.floor(nth / 6) * 19.05);
      return { id: `k${nth}`, rowAt: at, columnAt: at, locked: null };
    });
    const problem = { keys, rows: 4, columns: 6 };
    const { wireMm } = planned(problem);
    expect(wireMm).toBeCloseTo((24 - 4 + 24 - 6) * 19.05, 6);
    expect(lowerBoundMm(measured(problem))).toBeGreaterThan(0.999 * wireMm);
  });
});
