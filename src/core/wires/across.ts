import type { Design } from "../document/schema";
import { LINK_CONDUCTORS } from "../derived/linkEnds";
import { wiresOf } from "./wires";

/** Boards of both ends of each link whose controllers are there. */
function linkedBoards(design: Design): string[][] {
  const boardOf = (id: string) =>
    design.controllers.find((controller) => controller.id === id)?.placement.boardId ?? "";
  return (design.partLinks ?? []).map(({ nearId, farId }) => [boardOf(nearId), boardOf(farId)]);
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
    ([near, far]) => near !== far && [oneBoardId, otherBoardId].sort().join() === [near, far].sort().join(),
  );
  return [...new Set(flags), ...links.flatMap(() => LINK_CONDUCTORS)];
}
