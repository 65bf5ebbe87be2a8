import type { MatrixCircuit } from "../../circuits/matrix";
import { changeCircuit } from "../../edits/wiring";
import { setReversed } from "../../edits/matrixDiodes";
import type { Design } from "../../document/schema";
import { ghostPath } from "../../matrix/reported";
import { diodesForChords } from "../../matrix/safeDiodes";
import { scanGraphOf } from "../../matrix/scanGraph";
import { type Rule, counted, listed } from "../finding";
import { matricesOf } from "./duplicateCell";

/** Fits diodes at some switches only; a matrix without diodes gets its direction. */
export function fitDiodesAt(design: Design, circuit: MatrixCircuit, ids: string[]): Design {
  const wanted = new Set(ids);
  const without = circuit.diodes === "none" ? Object.keys(circuit.cells) : circuit.withoutDiode;
  return changeCircuit<MatrixCircuit>(design, circuit.id, {
    diodes: circuit.diodes === "none" ? "column-to-row" : circuit.diodes,
    withoutDiode: without.filter((id) => !wanted.has(id)),
  });
}

/** Switches that the person presses together must not make another one appear. */
export const unsafeChord: Rule = {
  id: "wiring/unsafe-chord",
  stage: "wiring",
  severity: "stop",
  why: "These switches are pressed together in use, and one that nobody presses is reported with them.",
  source: "common practice; the fewest diodes are found by trying all smaller sets",
  check(design, { elements }) {
    const label = (id: string) => elements.get(id)?.label ?? id;
    return matricesOf(design).flatMap((matrix) => {
      const graph = scanGraphOf(matrix);
      const broken = matrix.chords.flatMap((chord) => {
        const path = ghostPath(graph, new Set(chord));
        return path ? [{ chord, path }] : [];
      });
      if (broken.length === 0) return [];
      const { chord, path } = broken[0];
      const diodes = diodesForChords(graph, matrix.chords);
      const more = broken.length > 1 ? ` (and ${counted(broken.length - 1, "more chord")})` : "";
      return [
        {
          message: `Pressing ${listed(chord.map(label))} together will also report ${label(path.appears)}${more}.`,
          subjects: [...chord, path.appears].map((id) => ({ kind: "element" as const, id })),
          fixes: [
            {
              title: `Fit ${counted(diodes.length, "diode")}: at ${listed(diodes.map(label))}`,
              apply: (d: Design) => fitDiodesAt(d, matrix, diodes),
            },
          ],
        },
      ];
    });
  },
};

/** A diode the wrong way round silences its switch. */
export const reversedDiode: Rule = {
  id: "wiring/reversed-diode",
  stage: "wiring",
  severity: "stop",
  why: "All diodes must point the same way: a reversed one keeps its own switch silent and lets ghosts pass.",
  source: "common practice; shown against a circuit simulation in the reference tests",
  check(design, { elements }) {
    return matricesOf(design).flatMap((matrix) => {
      const reversed =
        matrix.diodes === "none" ? [] : matrix.reversed.filter((id) => !matrix.withoutDiode.includes(id));
      if (reversed.length === 0) return [];
      const names = listed(reversed.map((id) => elements.get(id)?.label ?? id));
      return [
        {
          message: `The diode of ${names} points against the others: pressed alone, ${reversed.length === 1 ? "it is" : "they are"} not reported.`,
          subjects: reversed.map((id) => ({ kind: "element" as const, id })),
          fixes: [{ title: "Turn it round", apply: (d: Design) => setReversed(d, reversed, false) }],
        },
      ];
    });
  },
};
