import type { Design } from "../document/schema";
import { type Point, point } from "../geometry/point";
import { tidyMm } from "../geometry/tidyMm";
import type { SplitProposal } from "../making/splitLine";
import { changeBoard } from "./boards";

const tidy = (p: Point): Point => point(tidyMm(p.xMm), tidyMm(p.yMm));

/** Splits a board along a proposal: the second piece becomes a board of its own, both outlines are drawn. */
export function applySplit(design: Design, boardId: string, { pieces }: SplitProposal, newId: () => string): Design {
  const board = design.boards.find(({ id }) => id === boardId);
  if (!board) return design;
  const newBoardId = newId();
  const moved = new Set(pieces[1].controlIds);
  const controls = design.controls.map((control) =>
    moved.has(control.id) ? { ...control, placement: { ...control.placement, boardId: newBoardId } } : control,
  ) as Design["controls"];
  const drawn = { cornerRadiusMm: 0 };
  const first = changeBoard({ ...design, controls }, boardId, { ...drawn, outline: pieces[0].ring.map(tidy) });
  const copy = {
    ...board,
    ...drawn,
    id: newBoardId,
    name: `${board.name}, second piece`.slice(0, 80),
    outline: pieces[1].ring.map(tidy),
  };
  return { ...first, boards: [...first.boards, copy] };
}
