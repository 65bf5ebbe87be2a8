import { type MatrixCircuit, hasDiode, isReversed } from "../circuits/matrix";

/** Three switches that, pressed together, make a fourth one appear. `through` is the one whose diode is missing. */
export interface Ghost {
  pressed: [string, string, string];
  through: string;
  appears: string;
}

/**
 * Ghosts that a switch without diode allows. Current reaches the driven line of the fourth corner only by going
 * backwards through the corner opposite to it, so that corner must have no diode, or a reversed one; the two others may have theirs.
 * @returns at most `most` ghosts, in the order of the cells
 */
export function ghostsOf(circuit: MatrixCircuit, most: number): Ghost[] {
  const entries = Object.entries(circuit.cells);
  const at = new Map(entries.map(([id, { row, column }]) => [`${row} ${column}`, id]));
  const ghosts: Ghost[] = [];
  for (const [through, corner] of entries) {
    if (hasDiode(circuit, through) && !isReversed(circuit, through)) continue;
    for (const [appears, far] of entries) {
      if (far.row === corner.row || far.column === corner.column) continue;
      const sameRow = at.get(`${corner.row} ${far.column}`);
      const sameColumn = at.get(`${far.row} ${corner.column}`);
      if (!sameRow || !sameColumn || isReversed(circuit, sameRow) || isReversed(circuit, sameColumn)) continue;
      ghosts.push({ pressed: [sameRow, through, sameColumn], through, appears });
      if (ghosts.length >= most) return ghosts;
    }
  }
  return ghosts;
}
