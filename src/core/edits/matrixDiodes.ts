import type { DiodeDirection, MatrixCircuit } from "../circuits/matrix";
import type { Design } from "../document/schema";
import { tidyPins } from "./tidyPins";

/** Sets the diode direction of every matrix. */
export const setDiodes = (design: Design, diodes: DiodeDirection): Design =>
  tidyPins({
    ...design,
    circuits: design.circuits.map((circuit) => (circuit.kind === "matrix" ? { ...circuit, diodes } : circuit)),
  });

const inEachMatrix = (design: Design, change: (circuit: MatrixCircuit) => MatrixCircuit): Design => ({
  ...design,
  circuits: design.circuits.map((circuit) => (circuit.kind === "matrix" ? change(circuit) : circuit)),
});

const listed = (list: string[], ids: string[], isIn: boolean, cells: object): string[] => {
  const others = list.filter((id) => !ids.includes(id));
  return isIn ? [...others, ...ids.filter((id) => id in cells)] : others;
};

/** Fits or leaves out single diodes of the matrices that have them. */
export const setOwnDiode = (design: Design, ids: string[], fitted: boolean): Design =>
  inEachMatrix(design, (circuit) => ({
    ...circuit,
    withoutDiode: listed(circuit.withoutDiode, ids, !fitted, circuit.cells),
  }));

/** Turns single diodes against the others, or back. */
export const setReversed = (design: Design, ids: string[], reversed: boolean): Design =>
  inEachMatrix(design, (circuit) => ({
    ...circuit,
    reversed: listed(circuit.reversed, ids, reversed, circuit.cells),
  }));

/** Keeps switches in their cells, or lets planning move them. */
export const lockCells = (design: Design, ids: string[], locked: boolean): Design =>
  inEachMatrix(design, (circuit) => ({ ...circuit, locked: listed(circuit.locked, ids, locked, circuit.cells) }));
