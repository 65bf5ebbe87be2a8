import type { Design } from "../document/schema";
import { wiresOf } from "./wires";

/** Flags of the nets whose wires run between two boards: what a cable there has to carry, supply and ground included. */
export function conductorsAcross(design: Design, oneBoardId: string, otherBoardId: string): string[] {
  const flags = wiresOf(design).flatMap(({ from, to, net }) => {
    const ends = [from.boardId, to.boardId];
    return ends.includes(oneBoardId) && ends.includes(otherBoardId) && from.boardId !== to.boardId ? [net] : [];
  });
  return [...new Set(flags)];
}
