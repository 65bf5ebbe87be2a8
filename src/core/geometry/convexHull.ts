import type { Point } from "./point";

const turn = (o: Point, a: Point, b: Point): number =>
  (a.xMm - o.xMm) * (b.yMm - o.yMm) - (a.yMm - o.yMm) * (b.xMm - o.xMm);

/** Convex hull by Andrew's monotone chain (A. M. Andrew, 1979). Fewer than three points are returned as they are. */
export function convexHull(points: Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.xMm - b.xMm || a.yMm - b.yMm);
  if (sorted.length < 3) return sorted;
  const half = (source: Point[]): Point[] => {
    const chain: Point[] = [];
    for (const p of source) {
      while (chain.length >= 2 && turn(chain[chain.length - 2], chain[chain.length - 1], p) <= 0) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}
