import type { MatrixCircuit } from "../../circuits/matrix";
import { shareOutMatrix } from "../../edits/shareOutMatrix";
import type { Design } from "../../document/schema";
import { type Rule, listed } from "../finding";

export const matricesOf = (design: Design): MatrixCircuit[] =>
  design.circuits.filter((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");

export const duplicateCell: Rule = {
  id: "wiring/duplicate-cell",
  stage: "wiring",
  severity: "stop",
  why: "Switches that share a row and a column are one switch to the controller.",
  source: "follows from the matrix",
  check(design, { elements }) {
    return matricesOf(design).flatMap((matrix) => {
      const cells = new Map<string, string[]>();
      for (const [id, { row, column }] of Object.entries(matrix.cells)) {
        const name = `R${row + 1} C${column + 1}`;
        cells.set(name, [...(cells.get(name) ?? []), id]);
      }
      return [...cells.entries()]
        .filter(([, ids]) => ids.length > 1)
        .map(([name, ids]) => ({
          message: `${listed(ids.map((id) => elements.get(id)?.label ?? id))} share the cell ${name}: the device cannot tell them apart.`,
          subjects: ids.map((id) => ({ kind: "element" as const, id })),
          fixes: [{ title: "Share out anew", apply: (d: Design) => shareOutMatrix(d, "fewest-pins") }],
        }));
    });
  },
};
