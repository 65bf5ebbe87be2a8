import type { Point } from "../geometry/point";

export type AlignEdge = "x" | "y";

/** The middle of the extremes, so that aligning does not drift towards where most parts are. */
const middle = (values: number[]): number => (Math.min(...values) + Math.max(...values)) / 2;

/** Puts centres on one common line: "x" gives all the same x, "y" the same y. */
export function align(points: Point[], axis: AlignEdge): Point[] {
  if (points.length < 2) return points;
  if (axis === "x") {
    const xMm = middle(points.map((p) => p.xMm));
    return points.map((p) => ({ ...p, xMm }));
  }
  const yMm = middle(points.map((p) => p.yMm));
  return points.map((p) => ({ ...p, yMm }));
}

/** Equal steps between centres along one axis; the outermost two stay where they are. */
export function distribute(points: Point[], axis: AlignEdge): Point[] {
  if (points.length < 3) return points;
  const key = axis === "x" ? "xMm" : "yMm";
  const order = points.map((_, i) => i).sort((a, b) => points[a][key] - points[b][key] || a - b);
  const first = points[order[0]][key];
  const step = (points[order.at(-1)!][key] - first) / (points.length - 1);
  const result = [...points];
  order.forEach((index, nth) => (result[index] = { ...points[index], [key]: first + nth * step }));
  return result;
}
