import { type MatrixCircuit, isReversed } from "../../circuits/matrix";
import { setDiodes, setOwnDiode, setReversed } from "../../edits/matrixDiodes";
import type { Design } from "../../document/schema";
import { ghostsOf } from "../../matrix/ghosts";
import { shortestPath } from "../../matrix/reported";
import { scanGraphOf } from "../../matrix/scanGraph";
import { type Fix, type Rule, counted, listed } from "../finding";
import { matricesOf } from "./duplicateCell";

/** Enough to say "many more" without walking through millions of combinations. */
const COUNTED_UP_TO = 1000;

/** The shortest combination that makes a key appear, its switch that lets current back, and how many there are. */
interface Combination {
  pressed: string[];
  through: string;
  appears: string;
  count: string;
}

function combinationOf(matrix: MatrixCircuit): Combination | null {
  const ghosts = ghostsOf(matrix, COUNTED_UP_TO);
  if (ghosts.length > 0) {
    const many = ghosts.length === COUNTED_UP_TO;
    const count = many ? `${COUNTED_UP_TO} or more combinations` : counted(ghosts.length, "combination");
    return { ...ghosts[0], count: `${count} of this sort` };
  }
  return ringOf(matrix);
}

/** Without three corners of a rectangle a longer ring of switches can still carry current round to a key. */
function ringOf(matrix: MatrixCircuit): Combination | null {
  const { keys } = scanGraphOf(matrix);
  if (keys.every(({ backward }) => !backward)) return null;
  const rings = keys.flatMap((key) => {
    const path = shortestPath(keys, key);
    return path ? [{ path, appears: key.id }] : [];
  });
  if (rings.length === 0) return null;
  const { path, appears } = rings.reduce((best, ring) => (ring.path.length < best.path.length ? ring : best));
  return {
    pressed: path.map(({ id }) => id),
    through: path.find(({ backward }) => backward)!.id,
    appears,
    count: `${counted(rings.length, "key")} can appear so`,
  };
}

function fixesFor(matrix: MatrixCircuit, through: string): Fix[] {
  if (matrix.diodes === "none")
    return [{ title: "Fit diodes, column to row", apply: (d: Design) => setDiodes(d, "column-to-row") }];
  const turned = matrix.reversed.filter((id) => isReversed(matrix, id));
  return [
    ...(matrix.withoutDiode.length > 0 && !isReversed(matrix, through)
      ? [{ title: "Fit the missing diodes", apply: (d: Design) => setOwnDiode(d, matrix.withoutDiode, true) }]
      : []),
    ...(turned.length > 0
      ? [
          {
            title: turned.length === 1 ? "Turn its diode round" : "Turn the reversed diodes round",
            apply: (d: Design) => setOwnDiode(setReversed(d, turned, false), matrix.withoutDiode, true),
          },
        ]
      : []),
  ];
}

export const noDiode: Rule = {
  id: "wiring/no-diode",
  stage: "wiring",
  severity: "warn",
  why: "Without a diode, or with one the wrong way round, current runs backwards through a pressed switch, and a key that nobody pressed is reported.",
  source: "common practice; shown against a circuit simulation in the reference tests",
  check(design, { elements }) {
    const label = (id: string) => elements.get(id)?.label ?? id;
    return matricesOf(design).flatMap((matrix) => {
      const found = combinationOf(matrix);
      if (!found) return [];
      const { pressed, through, appears, count } = found;
      const row = matrix.cells[through].row + 1;
      const where =
        matrix.diodes === "none"
          ? `${matrix.name} has no diodes`
          : isReversed(matrix, through)
            ? `In row ${row} the diode on ${label(through)} is reversed`
            : `Row ${row} has no diode on ${label(through)}`;
      // Who wished no chords was told that, and took it.
      const isTaken = !design.brief.wish.chords && design.brief.chosen !== null && matrix.diodes === "none";
      return [
        {
          severity: isTaken ? ("note" as const) : ("warn" as const),
          message: `${where}: pressing ${listed(pressed.map(label))} will also report ${label(appears)} (${count}).`,
          subjects: [...pressed, appears].map((id) => ({ kind: "element" as const, id })),
          fixes: fixesFor(matrix, through),
        },
      ];
    });
  },
};
