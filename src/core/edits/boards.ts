import { newBoard } from "../document/newDesign";
import type { Board, Design } from "../document/schema";

export const addBoard = (design: Design, id: string, name: string, kind: Board["kind"]): Design => ({
  ...design,
  boards: [...design.boards, newBoard(id, name, kind)],
});

export const changeBoard = (design: Design, id: string, change: Partial<Board>): Design => ({
  ...design,
  boards: design.boards.map((board) => (board.id === id ? { ...board, ...change } : board)),
});

/** Removes a board that carries nothing, and the links to it. The last board stays. */
export function removeBoard(design: Design, id: string): Design {
  const carries =
    design.controls.some((c) => c.placement.boardId === id) ||
    design.controllers.some((c) => c.placement.boardId === id);
  if (carries || design.boards.length === 1) return design;
  return {
    ...design,
    boards: design.boards.filter((board) => board.id !== id),
    links: design.links.filter((link) => link.fromBoardId !== id && link.toBoardId !== id),
    groups: design.groups.filter((group) => group.at.boardId !== id),
  };
}

export function addLink(
  design: Design,
  id: string,
  fromBoardId: string,
  toBoardId: string,
  conductors: string[] = [],
): Design {
  const link = {
    id,
    name: `Link ${design.links.length + 1}`,
    kind: "cable" as const,
    fromBoardId,
    toBoardId,
    conductors,
  };
  return { ...design, links: [...design.links, link] };
}

export const changeLink = (design: Design, id: string, change: Partial<Design["links"][number]>): Design => ({
  ...design,
  links: design.links.map((link) => (link.id === id ? { ...link, ...change } : link)),
});

export const removeLink = (design: Design, id: string): Design => ({
  ...design,
  links: design.links.filter((link) => link.id !== id),
});
