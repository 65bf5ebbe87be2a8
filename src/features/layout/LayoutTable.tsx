"use client";

import { type Control, kindOf } from "@/core/catalogue/kinds";
import { derive } from "@/core/derived/derive";
import { useDesign } from "@/store/bench";
import { useHand } from "@/store/hand";
import { pickControl } from "@/store/pick";
import { Table } from "@/ui/pieces/Table";

const mm = (value: number) => value.toFixed(2);

/** Every control with its place. */
export function LayoutTable() {
  const design = useDesign();
  const selection = useHand((state) => state.selection);
  const board = (control: Control) => design.boards.find((b) => b.id === control.placement.boardId)?.name ?? "";
  // A button with a cap of its own form is told by its part; units mean nothing there.
  const size = (control: Control) => {
    const { cap, title } = derive(design).partOf(control);
    return control.kind === "key" && cap ? title : kindOf(control).describe(control);
  };
  return (
    <Table
      label="Controls and places"
      rows={design.controls}
      rowId={(control) => control.id}
      isSelected={(control) => selection.includes(control.id)}
      onPick={(control, adding) => pickControl(control.id, adding)}
      empty="Nothing is placed yet. Choose a key in the tray and click on the mat, or press Enter on it to place it at the next free spot."
      columns={[
        { title: "Label", cell: (control) => control.label, width: "150px" },
        { title: "Kind", cell: (control) => kindOf(control).title },
        { title: "Size", cell: size },
        { title: "x (mm)", numeric: true, cell: (control) => mm(control.placement.xMm) },
        { title: "y (mm)", numeric: true, cell: (control) => mm(control.placement.yMm) },
        { title: "Turned (°)", numeric: true, cell: (control) => control.placement.rotationDeg.toFixed(1) },
        { title: "Board", cell: board },
      ]}
    />
  );
}
