import type { Outline } from "@/core/geometry/outline";
import { type Point, distanceMm } from "@/core/geometry/point";

const mm = (value: number) => Number(value.toFixed(3));

function circlePath({ xMm, yMm }: Point, radius: number): string {
  const r = mm(radius);
  return `M${mm(xMm - radius)} ${mm(yMm)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
}

/** Positive when the corners run clockwise on the mat (y points down). */
const signedArea = (core: Point[]) =>
  core.reduce(
    (sum, p, i) => sum + p.xMm * core[(i + 1) % core.length].yMm - core[(i + 1) % core.length].xMm * p.yMm,
    0,
  );

/** An outline as SVG path data in mm: the core's edges moved outwards, joined by arcs. */
export function outlinePath({ core, radiusMm }: Outline): string {
  if (core.length === 1) return circlePath(core[0], radiusMm);
  const corners = signedArea(core) < 0 ? [...core].reverse() : core;
  const edges = corners.map((from, i) => {
    const to = corners[(i + 1) % corners.length];
    const length = distanceMm(from, to) || 1;
    const nx = ((to.yMm - from.yMm) / length) * radiusMm;
    const ny = (-(to.xMm - from.xMm) / length) * radiusMm;
    return [mm(from.xMm + nx), mm(from.yMm + ny), mm(to.xMm + nx), mm(to.yMm + ny)];
  });
  const r = mm(radiusMm);
  return `${edges
    .map(([x1, y1, x2, y2], i) => `${i === 0 ? "M" : r > 0 ? `A${r} ${r} 0 0 1 ` : "L"}${x1} ${y1}L${x2} ${y2}`)
    .join("")}${r > 0 ? `A${r} ${r} 0 0 1 ${edges[0][0]} ${edges[0][1]}` : ""}Z`;
}

/** A ring as SVG path data in mm. */
export const ringPath = (ring: Point[]): string => `M${ring.map((p) => `${mm(p.xMm)} ${mm(p.yMm)}`).join("L")}Z`;
