import { type Point, place, point } from "../geometry/point";
import { boardRing, boardRings, carriedHull } from "../layout/boardOutline";
import { boundsOf } from "../geometry/outline";
import { convexHull } from "../geometry/convexHull";
import { offsetConvex } from "../geometry/ring";
import type { Board, Design } from "../document/schema";
import { changeBoard } from "./boards";
import { duplicateControls } from "./controls";
import { tidyMm } from "../geometry/tidyMm";

type Move = (p: Point & { rotationDeg: number }) => Point & { rotationDeg: number };

/** Moves a board with everything on it. */
function moved(design: Design, boardId: string, move: Move): Design {
  const tidy = <P extends Point & { rotationDeg: number; boardId: string }>(placement: P): P => {
    if (placement.boardId !== boardId) return placement;
    const to = move(placement);
    return { ...placement, xMm: tidyMm(to.xMm), yMm: tidyMm(to.yMm), rotationDeg: tidyMm(to.rotationDeg) };
  };
  const corner = (p: Point) => {
    const to = move({ ...p, rotationDeg: 0 });
    return point(tidyMm(to.xMm), tidyMm(to.yMm));
  };
  return {
    ...design,
    controls: design.controls.map((control) => ({ ...control, placement: tidy(control.placement) })),
    controllers: design.controllers.map((controller) => ({ ...controller, placement: tidy(controller.placement) })),
    groups: design.groups.map((group) => ({ ...group, at: tidy(group.at) })),
    boards: design.boards.map((board) =>
      board.id === boardId && board.outline ? { ...board, outline: board.outline.map(corner) } : board,
    ),
  };
}

export const shiftBoard = (design: Design, boardId: string, xMm: number, yMm: number): Design =>
  moved(design, boardId, (p) => ({ ...p, xMm: p.xMm + xMm, yMm: p.yMm + yMm }));

const middleOf = (points: Point[]): Point => {
  const box = boundsOf(points.map((p) => ({ core: [p], radiusMm: 0 })))!;
  return point((box.minXMm + box.maxXMm) / 2, (box.minYMm + box.maxYMm) / 2);
};

/** Turns a board with everything on it about its middle, clockwise. */
export function turnBoard(design: Design, boardId: string, byDeg: number): Design {
  const hull = carriedHull(design, boardId);
  if (hull.length === 0) return design;
  const middle = middleOf(hull);
  const wrap = (deg: number) => ((((deg + 180) % 360) + 360) % 360) - 180;
  return moved(design, boardId, (p) => ({
    ...place(point(p.xMm - middle.xMm, p.yMm - middle.yMm), { ...middle, rotationDeg: byDeg }),
    rotationDeg: wrap(p.rotationDeg + byDeg),
  }));
}

/** Turned the other way round when mirrored; −180° and 180° are one turn, written as it was. */
const mirroredDeg = (deg: number) => (deg === 0 || Math.abs(deg) === 180 ? deg : -deg);

/**
 * A mirrored copy of a half to its right: every control at the mirrored place and turn, on a board of its own. The
 * parts themselves are the same parts, not mirrored ones.
 */
export function mirrorBoard(design: Design, boardId: string, gapMm: number, newId: () => string): Design {
  const board = design.boards.find((b) => b.id === boardId);
  const ring = boardRing(design, boardId);
  if (!board || !ring) return design;
  // The copy goes to the right of everything, so that several copies do not lie on each other.
  const own = Math.max(...ring.map((p) => p.xMm));
  const rightmost = Math.max(...boardRings(design).flatMap((each) => each?.map((p) => p.xMm) ?? []));
  const axisMm = (own + rightmost + gapMm) / 2;
  const across = (xMm: number) => tidyMm(2 * axisMm - xMm);
  const copyId = newId();
  const ids = design.controls.filter((control) => control.placement.boardId === boardId).map(({ id }) => id);
  const grown = duplicateControls(design, ids, newId, [0, 0]);
  const controls = grown.controls.map((control, nth) => {
    if (nth < design.controls.length) return control;
    const { placement } = control;
    return {
      ...control,
      ...mirroredCap(control),
      placement: {
        ...placement,
        xMm: across(placement.xMm),
        rotationDeg: mirroredDeg(placement.rotationDeg),
        boardId: copyId,
      },
    };
  }) as Design["controls"];
  const outline = board.outline?.map((p) => point(across(p.xMm), p.yMm)).reverse() ?? null;
  const copy: Board = { ...board, id: copyId, name: mirroredName(design, board.name), outline };
  return { ...grown, controls, boards: [...design.boards, copy] };
}

/** An L-shaped cap has its second piece on the other side. */
function mirroredCap(control: Design["controls"][number]) {
  return control.kind === "key" && control.second ? { second: { ...control.second, xU: -control.second.xU } } : {};
}

function mirroredName(design: Design, name: string): string {
  const wanted = /left/i.test(name)
    ? name.replace(/left/i, (word) => (word[0] === "L" ? "Right" : "right"))
    : `${name}, mirrored`;
  const taken = new Set(design.boards.map((board) => board.name));
  for (let nth = 2; ; nth++) {
    const candidate = nth === 2 ? wanted : `${wanted} ${nth - 1}`;
    if (!taken.has(candidate)) return candidate.slice(0, 80);
  }
}

/** Puts the middles of all modules on the corners of a grid, the nearest free one each, so that they join anywhere. */
export function gridModules(design: Design, stepMm: number): Design {
  const taken = new Set<string>();
  return design.boards.reduce((next, board) => {
    const hull = board.kind === "module" ? carriedHull(next, board.id) : [];
    if (hull.length === 0) return next;
    const middle = middleOf(hull);
    const to = freeKnot(Math.round(middle.xMm / stepMm), Math.round(middle.yMm / stepMm), taken);
    return shiftBoard(next, board.id, to[0] * stepMm - middle.xMm, to[1] * stepMm - middle.yMm);
  }, design);
}

/** The given knot of the grid, or the next free one to the right of it. */
function freeKnot(across: number, down: number, taken: Set<string>): [number, number] {
  let x = across;
  while (taken.has(`${x} ${down}`)) x += 1;
  taken.add(`${x} ${down}`);
  return [x, down];
}

/** Begins a drawn outline from what the board has now, with sharp corners that can then be moved. */
export function drawOutline(design: Design, boardId: string): Design {
  const board = design.boards.find((b) => b.id === boardId);
  const hull = carriedHull(design, boardId);
  if (!board || hull.length < 3) return design;
  const box = boundsOf(hull.map((p) => ({ core: [p], radiusMm: board.marginMm })))!;
  const corners = [
    point(box.minXMm, box.minYMm),
    point(box.maxXMm, box.minYMm),
    point(box.maxXMm, box.maxYMm),
    point(box.minXMm, box.maxYMm),
  ];
  const tight = convexHull(offsetConvex(hull, board.marginMm));
  const outline = (tight.length >= 3 && tight.length <= 6 ? tight : corners).map((p) =>
    point(tidyMm(p.xMm), tidyMm(p.yMm)),
  );
  return changeBoard(design, boardId, { outline });
}
