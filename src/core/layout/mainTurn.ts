import type { Design } from "../document/schema";

/** The angle that most keys of a board have, within a quarter turn. */
export function mainTurn(design: Design, boardId: string): number {
  const counts = new Map<number, number>();
  for (const { placement } of design.controls) {
    if (placement.boardId !== boardId) continue;
    const deg = ((placement.rotationDeg % 90) + 90) % 90;
    counts.set(deg, (counts.get(deg) ?? 0) + 1);
  }
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1]);
  // Where two angles are as common, none of them is the board's own; so a mirrored board gets the mirrored frame.
  return !first || first[1] === second?.[1] ? 0 : first[0];
}
