"use client";

import { hasDiode, isReversed } from "@/core/circuits/matrix";
import { setCell } from "@/core/edits/wiring";
import { lockCells, setOwnDiode, setReversed } from "@/core/edits/matrixDiodes";
import type { Design } from "@/core/document/schema";
import { matrixOfElement } from "@/core/matrix/matrixOfElement";
import { edit } from "@/store/bench";
import { ChoiceField, Checkbox } from "@/ui/pieces/fields";
import { Columns } from "@/ui/pieces/sheets";
import { lineChoices } from "./lineChoices";

/** Row, column and diode of the selected switches of a matrix. */
export function CellSection({ design, ids }: { design: Design; ids: string[] }) {
  const matrix = matrixOfElement(design, ids[0]);
  const inMatrix = matrix ? ids.filter((id) => id in matrix.cells) : [];
  if (!matrix || inMatrix.length === 0) return null;
  const one = inMatrix.length === 1;
  return (
    <>
      <Columns>
        {(["row", "column"] as const).map((axis) => (
          <ChoiceField
            key={axis}
            label={axis === "row" ? "Row" : "Column"}
            value={String(matrix.cells[inMatrix[0]][axis])}
            choices={lineChoices(matrix, axis)}
            onCommit={(line) =>
              edit(`${axis} of ${inMatrix.length}`, (d) =>
                inMatrix.reduce((result, id) => setCell(result, id, { ...matrix.cells[id], [axis]: Number(line) }), d),
              )
            }
          />
        ))}
      </Columns>
      <Checkbox
        label={one ? "Keeps this cell when shared out anew" : "Keep these cells when shared out anew"}
        checked={inMatrix.every((id) => matrix.locked.includes(id))}
        onChange={(locked) => edit(locked ? "keep cells" : "let cells go", (d) => lockCells(d, inMatrix, locked))}
      />
      {matrix.diodes !== "none" && (
        <>
          <Checkbox
            label={one ? "Has its diode" : "Have their diodes"}
            checked={inMatrix.every((id) => hasDiode(matrix, id))}
            onChange={(fitted) =>
              edit(fitted ? "fit diodes" : "leave out diodes", (d) => setOwnDiode(d, inMatrix, fitted))
            }
          />
          <Checkbox
            label="Diode points against the others"
            checked={inMatrix.every((id) => isReversed(matrix, id))}
            onChange={(reversed) => edit("turn diodes", (d) => setReversed(d, inMatrix, reversed))}
          />
        </>
      )}
    </>
  );
}
