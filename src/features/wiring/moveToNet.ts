import type { MatrixCircuit } from "@/core/circuits/matrix";
import { columnNetId, lineFlag, rowNetId } from "@/core/circuits/matrix";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { currentDesign, edit } from "@/store/bench";
import { useHand } from "@/store/hand";

/** Switch elements of the selected controls. */
export const selectedSwitches = (design: Design, selection: string[]): string[] =>
  [...derive(design).elements.values()]
    .filter((element) => element.kind === "switch" && selection.includes(element.controlId))
    .map((element) => element.id);

interface Line {
  axis: "row" | "column";
  line: number;
}

function lineOf(matrix: MatrixCircuit, netId: string): Line | null {
  for (let line = 0; line < 32; line++) {
    if (rowNetId(matrix, line) === netId) return { axis: "row", line };
    if (columnNetId(matrix, line) === netId) return { axis: "column", line };
  }
  return null;
}

/** With switches of a matrix selected, a click on a row's or column's flag of it moves them there. */
export function moveSelectionToNet(netId: string): boolean {
  const design = currentDesign();
  const matrices = design?.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix") ?? [];
  const matrix = matrices.find((one) => lineOf(one, netId) !== null);
  const line = matrix ? lineOf(matrix, netId) : null;
  if (!design || !matrix || !line) return false;
  const switches = selectedSwitches(design, useHand.getState().selection).filter((id) => matrix.cells[id]);
  if (switches.length === 0) return false;
  void moveTo(matrix, line, switches);
  return true;
}

async function moveTo(matrix: MatrixCircuit, { axis, line }: Line, switches: string[]): Promise<void> {
  const { setCell } = await import("@/core/edits/wiring");
  edit(`move ${switches.length} to ${lineFlag(matrix, axis, line)}`, (d) =>
    switches.reduce((result, id) => setCell(result, id, { ...matrix.cells[id], [axis]: line }), d),
  );
}
