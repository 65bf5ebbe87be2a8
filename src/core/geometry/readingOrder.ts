import type { Point } from "./point";

/** Something with a place. */
export interface Placed {
  id: string;
  at: Point;
}

/**
 * Rows as a reader sees them: top to bottom, each left to right. A thing joins the row above it when its centre is
 * within `toleranceMm` of the middle of that row so far. Columns that are staggered less than that keep their rows.
 */
export function readingRows(things: Placed[], toleranceMm: number): Placed[][] {
  const rows: { middleMm: number; members: Placed[] }[] = [];
  for (const thing of [...things].sort((a, b) => a.at.yMm - b.at.yMm || a.at.xMm - b.at.xMm)) {
    const row = rows.at(-1);
    if (!row || thing.at.yMm - row.middleMm > toleranceMm) {
      rows.push({ middleMm: thing.at.yMm, members: [thing] });
      continue;
    }
    row.members.push(thing);
    row.middleMm += (thing.at.yMm - row.middleMm) / row.members.length;
  }
  return rows.map((row) => row.members.sort((a, b) => a.at.xMm - b.at.xMm || a.at.yMm - b.at.yMm));
}
