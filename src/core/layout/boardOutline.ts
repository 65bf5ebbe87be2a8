import type { Design } from "../design/schema";
import { derive } from "../design/derive";
import { convexHull } from "./convexHull";
import type { Outline } from "./outline";
import { type Point, place, point } from "./point";

const RIM_STEPS = 16;

/** Points on a circle about a place, close enough for a hull. */
function rim(p: Point, radiusMm: number): Point[] {
  if (radiusMm === 0) return [p];
  return Array.from({ length: RIM_STEPS }, (_, step) => {
    const angle = (step * 2 * Math.PI) / RIM_STEPS;
    return point(p.xMm + radiusMm * Math.cos(angle), p.yMm + radiusMm * Math.sin(angle));
  });
}

/**
 * Points whose hull holds all outlines. Outlines with one corner radius reach farthest at the corners of their own
 * cores' hull, so only there the rounding is drawn out.
 */
function extremes(outlines: Outline[]): Point[] {
  const byRadius = new Map<number, Point[]>();
  for (const { core, radiusMm } of outlines) byRadius.set(radiusMm, [...(byRadius.get(radiusMm) ?? []), ...core]);
  return [...byRadius].flatMap(([radiusMm, cores]) => convexHull(cores).flatMap((p) => rim(p, radiusMm)));
}

function moduleCorners(design: Design, boardId: string): Point[] {
  const { controller, profile } = derive(design);
  if (!controller || !profile || controller.placement.boardId !== boardId) return [];
  const x = profile.widthMm / 2;
  const y = profile.heightMm / 2;
  return [point(-x, -y), point(x, -y), point(x, y), point(-x, y)].map((p) => place(p, controller.placement));
}

/** The edge of a board: around everything it carries, at its margin. Null for a board that carries nothing. */
export function boardOutline(design: Design, boardId: string): Outline | null {
  const { caps } = derive(design);
  const board = design.boards.find((b) => b.id === boardId);
  const onBoard = caps.filter((_, i) => design.controls[i].placement.boardId === boardId);
  const points = [...extremes(onBoard), ...moduleCorners(design, boardId)];
  return board && points.length > 0 ? { core: convexHull(points), radiusMm: board.marginMm } : null;
}
