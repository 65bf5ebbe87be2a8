import type { MatrixCircuit } from "../circuits/matrix";
import type { Design } from "../document/schema";

/** The matrix that holds a switch, or else the first one. */
export const matrixOfElement = (design: Design, elementId?: string): MatrixCircuit | undefined => {
  const all = design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  return all.find(({ cells }) => elementId !== undefined && elementId in cells) ?? all[0];
};
