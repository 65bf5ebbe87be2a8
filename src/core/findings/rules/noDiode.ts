import { setDiodes, setOwnDiode } from "../../design/edits/wiring";
import type { Design } from "../../design/schema";
import { ghostsOf } from "../../matrix/ghosts";
import { type Rule, counted, listed } from "../finding";
import { matricesOf } from "./duplicateCell";

/** Enough to say "many more" without walking through millions of combinations. */
const COUNTED_UP_TO = 1000;

export const noDiode: Rule = {
  id: "wiring/no-diode",
  stage: "wiring",
  severity: "warn",
  why: "Without a diode current runs backwards through a pressed switch, and a key that nobody pressed is reported.",
  source: "common practice; shown against a circuit simulation in the reference tests",
  check(design, { elements }) {
    const label = (id: string) => elements.get(id)?.label ?? id;
    return matricesOf(design).flatMap((matrix) => {
      const ghosts = ghostsOf(matrix, COUNTED_UP_TO);
      if (ghosts.length === 0) return [];
      const { pressed, through, appears } = ghosts[0];
      const where =
        matrix.diodes === "none"
          ? `${matrix.name} has no diodes`
          : `Row ${matrix.cells[through].row + 1} has no diode on ${label(through)}`;
      const count =
        ghosts.length === COUNTED_UP_TO
          ? `${COUNTED_UP_TO} or more combinations`
          : counted(ghosts.length, "combination");
      const fix =
        matrix.diodes === "none"
          ? { title: "Fit diodes, column to row", apply: (d: Design) => setDiodes(d, "column-to-row") }
          : { title: "Fit the missing diodes", apply: (d: Design) => setOwnDiode(d, matrix.withoutDiode, true) };
      return [
        {
          message: `${where}: pressing ${listed(pressed.map(label))} will also report ${label(appears)} (${count} of this sort).`,
          subjects: [...pressed, appears].map((id) => ({ kind: "element" as const, id })),
          fixes: [fix],
        },
      ];
    });
  },
};
