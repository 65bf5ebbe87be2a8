import type { Design } from "../design/schema";
import { derive } from "../design/derive";
import { convexHull } from "./convexHull";
import type { Outline } from "./outline";
import { type Point, place, point } from "./point";

/** Points on the rim of an outline, close enough for a hull: round parts in sixteen steps. */
function rim({ core, radiusMm }: Outline): Point[] {
  if (radiusMm === 0) return core;
  return core.flatMap((p) =>
    Array.from({ length: 16 }, (_, step) => {
      const angle = (step * Math.PI) / 8;
      return point(p.xMm + radiusMm * Math.cos(angle), p.yMm + radiusMm * Math.sin(angle));
    }),
  );
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
  const onBoard = design.controls.flatMap((control, i) => (control.placement.boardId === boardId ? rim(caps[i]) : []));
  const points = [...onBoard, ...moduleCorners(design, boardId)];
  return board && points.length > 0 ? { core: convexHull(points), radiusMm: board.marginMm } : null;
}
