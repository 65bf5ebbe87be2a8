"use client";

import type { DiodeDirection, MatrixCircuit } from "@/core/circuits/matrix";
import { hasDiode } from "@/core/circuits/matrix";
import { derive } from "@/core/design/derive";
import {
  setCell,
  setDiodes,
  setOwnDiode,
  shareOutDirect,
  shareOutMatrix,
  unwire,
  wireDirect,
} from "@/core/design/edits/wiring";
import type { Design } from "@/core/design/schema";
import { factsOf } from "@/core/findings/check";
import { edit, useBench, useDesign } from "@/store/bench";
import { PlainButton, StepButton } from "@/ui/pieces/buttons";
import { ChoiceField, Tick } from "@/ui/pieces/fields";
import { Columns, Row, Section, Values } from "@/ui/pieces/sheets";
import { lineChoices } from "./lineChoices";
import { selectedSwitches } from "./moveToNet";

const DIODES: { value: DiodeDirection; label: string }[] = [
  { value: "column-to-row", label: "column → row (rows are driven)" },
  { value: "row-to-column", label: "row → column (columns are driven)" },
  { value: "none", label: "none" },
];

/** Rows, columns and diodes: shared out by the program, changed by hand. */
export function WiringTray() {
  const design = useDesign();
  const { rows, columns, diodes, resistors, pinsNeeded } = factsOf(design);
  const matrix = design.circuits.find((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
  return (
    <>
      <Section title="Share out rows and columns">
        <Row>
          <StepButton onClick={() => edit("share out rows and columns", (d) => shareOutMatrix(d, "as-laid-out"))}>
            Follow the rows as they lie
          </StepButton>
          <PlainButton onClick={() => edit("share out rows and columns", (d) => shareOutMatrix(d, "fewest-pins"))}>
            Fewest pins
          </PlainButton>
          <PlainButton onClick={() => edit("wire everything direct", shareOutDirect)}>Everything direct</PlainButton>
        </Row>
        {matrix && (
          <ChoiceField
            label="Diodes of the matrix"
            value={matrix.diodes}
            choices={DIODES}
            onCommit={(value) => edit("diode direction", (d) => setDiodes(d, value as DiodeDirection))}
          />
        )}
      </Section>
      <SelectedWiring design={design} matrix={matrix} />
      <Section title="What it takes">
        <Values
          rows={[
            ["Rows × columns", `${rows} × ${columns}`],
            ["Diodes (1N4148)", diodes],
            ["Lamp resistors", resistors],
            ["Pins needed", pinsNeeded],
          ]}
        />
      </Section>
    </>
  );
}

function SelectedWiring({ design, matrix }: { design: Design; matrix: MatrixCircuit | undefined }) {
  const selection = useBench((state) => state.selection);
  const { elements, circuitsOf } = derive(design);
  const chosen = [...elements.values()].filter((element) => selection.includes(element.controlId));
  if (chosen.length === 0)
    return (
      <Section title="Selected">
        <div>
          Select switches on the mat or in the table to change their row, column or circuit. With switches selected, a
          click on a flag such as R2 or C3 moves them there.
        </div>
      </Section>
    );
  const switches = selectedSwitches(design, selection);
  const inMatrix = switches.filter((id) => matrix?.cells[id]);
  const ids = chosen.map((element) => element.id);
  const inDirect = ids.every((id) =>
    (circuitsOf.get(id) ?? []).some((c) => design.circuits.find((k) => k.id === c)?.kind === "direct"),
  );
  const current =
    inMatrix.length === switches.length && switches.length === ids.length
      ? "matrix"
      : inDirect
        ? "direct"
        : ids.every((id) => !circuitsOf.has(id))
          ? "none"
          : "mixed";
  const wire = (to: string) => {
    if (to === "direct") edit("wire direct", (d) => wireDirect(d, ids));
    if (to === "none") edit("take off the circuit", (d) => unwire(d, ids));
    if (to === "matrix")
      edit("put into the matrix", (d) =>
        switches.reduce(
          (result, id) => (isIn(result, id) ? result : setCell(result, id, { row: 0, column: nextColumn(result) })),
          d,
        ),
      );
  };
  return (
    <Section title={chosen.length === 1 ? chosen[0].label : `${chosen.length} elements selected`}>
      <ChoiceField
        label="Circuit"
        value={current}
        choices={[
          ...(current === "mixed" ? [{ value: "mixed", label: "different ones" }] : []),
          { value: "matrix", label: "matrix", disabled: switches.length !== ids.length },
          { value: "direct", label: "direct" },
          { value: "none", label: "not wired" },
        ]}
        onCommit={wire}
      />
      {matrix && inMatrix.length > 0 && (
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
                    inMatrix.reduce(
                      (result, id) => setCell(result, id, { ...matrix.cells[id], [axis]: Number(line) }),
                      d,
                    ),
                  )
                }
              />
            ))}
          </Columns>
          {matrix.diodes !== "none" && (
            <Tick
              label={inMatrix.length === 1 ? "Has its diode" : "Have their diodes"}
              checked={inMatrix.every((id) => hasDiode(matrix, id))}
              onChange={(fitted) =>
                edit(fitted ? "fit diodes" : "leave out diodes", (d) => setOwnDiode(d, inMatrix, fitted))
              }
            />
          )}
        </>
      )}
    </Section>
  );
}

const matrixIn = (design: Design) =>
  design.circuits.find((circuit): circuit is MatrixCircuit => circuit.kind === "matrix");
const isIn = (design: Design, id: string) => Boolean(matrixIn(design)?.cells[id]);

/** A column of its own, so that a switch put in by hand collides with nobody. */
const nextColumn = (design: Design) =>
  Math.min(31, Math.max(-1, ...Object.values(matrixIn(design)?.cells ?? {}).map((cell) => cell.column)) + 1);
