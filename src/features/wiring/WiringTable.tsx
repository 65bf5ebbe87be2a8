"use client";

import type { Cell, MatrixCircuit } from "@/core/circuits/matrix";
import { hasDiode, isReversed } from "@/core/circuits/matrix";
import type { PlacedElement } from "@/core/circuits/net";
import { derive } from "@/core/derived/derive";
import { throughWords } from "@/core/derived/throughWords";
import { matrixOfElement } from "@/core/matrix/matrixOfElement";
import { edit, useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { pickControl } from "@/store/pick";
import { Table, type TableColumn } from "@/ui/pieces/Table";
import { ChoiceField } from "@/ui/pieces/fields";
import { lineChoices } from "./lineChoices";

const SORT: Record<PlacedElement["kind"], string> = {
  switch: "switch",
  quadrature: "turn (A, B)",
  lamp: "lamp",
  analog: "voltage",
  device: "bus device",
  light: "chain light",
  output: "switched part",
};

/** Every element with its circuit; a switch's row and column can be changed right here. */
export function WiringTable() {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const { elements, circuitsOf, netById } = derive(design);
  const circuitName = (element: PlacedElement) =>
    (circuitsOf.get(element.id) ?? []).map((id) => design.circuits.find((c) => c.id === id)!.name).join(" and ") ||
    "not wired";
  const matrixOf = (element: PlacedElement) => {
    const matrix = matrixOfElement(design, element.id);
    return matrix && element.id in matrix.cells ? matrix : undefined;
  };
  const diode = (element: PlacedElement) => {
    const matrix = matrixOf(element);
    if (!matrix) return "";
    if (!hasDiode(matrix, element.id)) return "none";
    const forward = (matrix.diodes === "column-to-row") !== isReversed(matrix, element.id);
    return forward ? "column → row" : "row → column";
  };
  const reached = throughWords(derive(design));
  const through = ({ id }: PlacedElement) => reached.get(id) ?? reached.get(`${id}/A`) ?? "";
  const hasMatrix = design.circuits.some(({ kind }) => kind === "matrix");
  const unused = [...(hasMatrix ? [] : ["Row", "Column", "Diode"]), ...(reached.size > 0 ? [] : ["Read through"])];
  const columns: TableColumn<PlacedElement>[] = [
    { title: "Part", cell: (element) => element.label, width: "170px" },
    {
      title: "What",
      cell: (element) => SORT[element.kind],
    },
    { title: "Circuit", cell: circuitName },
    {
      title: "Row",
      width: "90px",
      cell: (element) => <LineCell matrix={matrixOf(element)} element={element} axis="row" />,
    },
    {
      title: "Column",
      width: "90px",
      cell: (element) => <LineCell matrix={matrixOf(element)} element={element} axis="column" />,
    },
    { title: "Diode", cell: diode },
    { title: "Read through", cell: through },
    {
      title: "Nets",
      cell: (element) =>
        [...netById.values()]
          .filter((net) => net.joints.some((joint) => joint.elementId === element.id))
          .map((net) => net.flag)
          .join(", "),
    },
  ];
  return (
    <Table
      label="Switches and their circuits"
      rows={[...elements.values()]}
      rowId={(element) => element.id}
      isSelected={(element) => selection.includes(element.controlId)}
      onPick={(element, adding) => pickControl(element.controlId, adding)}
      empty="There is nothing to wire yet. Place some controls in Layout."
      columns={columns.filter(({ title }) => !unused.includes(title))}
    />
  );
}

function LineCell({
  matrix,
  element,
  axis,
}: {
  matrix: MatrixCircuit | undefined;
  element: PlacedElement;
  axis: keyof Cell;
}) {
  const cell = matrix?.cells[element.id];
  if (!matrix || !cell) return null;
  const move = async (value: string) => {
    const { setCell } = await import("@/core/edits/wiring");
    edit(`${axis} of ${element.label}`, (design) => setCell(design, element.id, { ...cell, [axis]: Number(value) }));
  };
  return (
    <ChoiceField
      hideLabel
      label={`${axis === "row" ? "Row" : "Column"} of ${element.label}`}
      value={String(cell[axis])}
      choices={lineChoices(matrix, axis)}
      onCommit={(value) => void move(value)}
    />
  );
}
