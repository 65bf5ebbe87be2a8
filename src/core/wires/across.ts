import type { Design } from "../document/schema";
import type { PartLink } from "../document/partLinks";
import { conductorsOf } from "../derived/linkEnds";
import { wiresOf } from "./wires";

/** Links with the boards of both ends. */
function linkedBoards(design: Design): { link: PartLink; boards: string[] }[] {
  const boardOf = (id: string) =>
    design.controllers.find((controller) => controller.id === id)?.placement.boardId ?? "";
  return (design.partLinks ?? []).map((link) => ({ link, boards: [boardOf(link.nearId), boardOf(link.farId)] }));
}

/**
 * Flags of the nets whose wires run between two boards, and the conductors of links: what a cable there has to carry, supply and ground
 * included.
 */
export function conductorsAcross(design: Design, oneBoardId: string, otherBoardId: string): string[] {
  const flags = wiresOf(design).flatMap(({ from, to, net }) => {
    const ends = [from.boardId, to.boardId];
    return ends.includes(oneBoardId) && ends.includes(otherBoardId) && from.boardId !== to.boardId ? [net] : [];
  });
  const links = linkedBoards(design).filter(
    ({ boards: [near, far] }) => near !== far && [oneBoardId, otherBoardId].sort().join() === [near, far].sort().join(),
  );
  return [...new Set(flags), ...links.flatMap(({ link }) => conductorsOf(link))];
}
