import { wireDirect } from "../../edits/wiring";
import type { Design } from "../../document/schema";
import type { Rule } from "../finding";
import { matricesOf } from "./duplicateCell";

function countOf(lines: number[]): Map<number, number> {
  const counts = new Map<number, number>();
  for (const line of lines) counts.set(line, (counts.get(line) ?? 0) + 1);
  return counts;
}

export const loneKey: Rule = {
  id: "wiring/lone-key",
  stage: "wiring",
  severity: "note",
  why: "A switch alone on its row and its column costs two pins where one, wired direct, would do.",
  source: "arithmetic: 1 row + 1 column for 1 switch",
  check(design, { elements }) {
    return matricesOf(design).flatMap((matrix) => {
      const cells = Object.entries(matrix.cells);
      const onRow = countOf(cells.map(([, cell]) => cell.row));
      const onColumn = countOf(cells.map(([, cell]) => cell.column));
      return cells
        .filter(([, cell]) => onRow.get(cell.row) === 1 && onColumn.get(cell.column) === 1)
        .map(([id, cell]) => ({
          message: `${elements.get(id)?.label ?? id} is alone on R${cell.row + 1} and on C${cell.column + 1}: wired direct it would save a pin.`,
          subjects: [{ kind: "element" as const, id }],
          fixes: [{ title: "Wire it direct", apply: (d: Design) => wireDirect(d, [id]) }],
        }));
    });
  },
};
