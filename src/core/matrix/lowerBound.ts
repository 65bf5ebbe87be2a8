import type { MeasuredProblem } from "./matrixProblem";
import { type Distances, type TreeEdge, treeEdges } from "../optimisation/spanningTree";

/** A forest of so many trees over all keys: the shortest tree without its longest edges (Kruskal 1956). */
function forest(weights: Distances, n: number, trees: number): { edges: TreeEdge[]; mm: number } {
  const all = Array.from({ length: n }, (_, key) => key);
  const edges = treeEdges(all, weights, n)
    .sort((a, b) => a.mm - b.mm)
    .slice(0, Math.max(0, n - trees));
  return { edges, mm: edges.reduce((sum, { mm }) => sum + mm, 0) };
}

const ROUNDS = 400;
/** First step of the prices in mm; it shrinks as the rounds go on. */
const FIRST_STEP_MM = 2;

/** Moves the price of each pair by how much it is wanted beyond the one wire it may carry. */
function reprice(prices: Distances, n: number, used: TreeEdge[][], stepMm: number): boolean {
  const wanted = new Map<number, number>();
  for (const edges of used)
    for (const { a, b } of edges) {
      const pair = Math.min(a, b) * n + Math.max(a, b);
      wanted.set(pair, (wanted.get(pair) ?? 0) + 1);
    }
  let isSettled = true;
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++) {
      const pair = a * n + b;
      const over = (wanted.get(pair) ?? 0) - 1;
      if (over <= 0 && prices[pair] === 0) continue;
      const price = Math.max(0, prices[pair] + stepMm * over);
      if (price !== prices[pair]) isSettled = false;
      prices[pair] = prices[b * n + a] = price;
    }
  return isSettled;
}

const priced = (mm: Distances, prices: Distances) => mm.map((own, pair) => own + prices[pair]);

const priceSum = (prices: Distances) => prices.reduce((sum, price) => sum + price, 0) / 2;

/**
 * No plan with these rows and columns needs less wire. Rows together are a forest of so many trees, columns too, and
 * two keys of one row are never in one column, so no pair of keys is joined twice. With a price on each pair for being
 * wanted twice (Lagrange multipliers, raised by subgradient steps as of Held and Karp 1971) the two forests come apart,
 * and each round's sum less the prices is a bound; the best one is told.
 * @param rounds fewer are quicker and give a lower bound that is less tight
 */
export function lowerBoundMm(problem: MeasuredProblem, rounds = ROUNDS): number {
  const n = problem.keys.length;
  if (n === 0) return 0;
  const prices = new Float64Array(n * n);
  let best = 0;
  for (let round = 0; round < rounds; round++) {
    const rows = forest(priced(problem.rowMm, prices), n, problem.rows);
    const columns = forest(priced(problem.columnMm, prices), n, problem.columns);
    best = Math.max(best, rows.mm + columns.mm - priceSum(prices));
    const stepMm = FIRST_STEP_MM / (1 + round / 40);
    if (reprice(prices, n, [rows.edges, columns.edges], stepMm)) break;
  }
  return best;
}
