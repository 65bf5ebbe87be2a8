import { type MatrixCircuit, hasDiode, isReversed } from "../circuits/matrix";

/** One switch between a line that is read and a line that is driven, by number. */
export interface ScanKey {
  id: string;
  sense: number;
  drive: number;
  /** Whether current can pass from the read line to the driven one, as it should, and the other way. */
  forward: boolean;
  backward: boolean;
}

/** A matrix as currents see it. */
export interface ScanGraph {
  keys: ScanKey[];
  senses: number;
  drives: number;
}

/** Without a diode current passes both ways; a reversed one lets it pass the wrong way only. */
export function scanGraphOf(circuit: MatrixCircuit): ScanGraph {
  const rowsDriven = circuit.diodes !== "row-to-column";
  const keys = Object.entries(circuit.cells).map(([id, { row, column }]) => {
    const [sense, drive] = rowsDriven ? [column, row] : [row, column];
    const open = !hasDiode(circuit, id);
    const reversed = isReversed(circuit, id);
    return { id, sense, drive, forward: open || !reversed, backward: open || reversed };
  });
  return {
    keys,
    senses: 1 + Math.max(-1, ...keys.map(({ sense }) => sense)),
    drives: 1 + Math.max(-1, ...keys.map(({ drive }) => drive)),
  };
}
