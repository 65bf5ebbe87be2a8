import { kindOf } from "../catalogue/kinds";
import { derive } from "../derived/derive";
import { good } from "../document/problem";
import { boundsOf } from "../geometry/outline";
import { type Artifact, asText, fileStem } from "./artifact";
import { csvBytes } from "./csvText";

const mm = (value: number) => String(Math.round(value * 1000) / 1000);

export const positionsCsv: Artifact = {
  id: "positions-csv",
  title: "Position table",
  purpose: "Every part with its place and turn in mm and its cap in units; can be read back as a key table.",
  make: async (design) => {
    const boards = new Map(design.boards.map(({ id, name }) => [id, name]));
    const rows = design.controls.map((control) => ({
      label: asText(control.label),
      kind: kindOf(control).kind,
      x: mm(control.placement.xMm),
      y: mm(control.placement.yMm),
      rotation: mm(control.placement.rotationDeg),
      width: control.kind === "key" ? control.widthU : "",
      height: control.kind === "key" ? control.heightU : "",
      part: asText(derive(design).partOf(control).title),
      board: asText(boards.get(control.placement.boardId) ?? ""),
      side: control.placement.mirrored ? "solder" : "front",
    }));
    const fields = ["label", "kind", "x", "y", "rotation", "width", "height", "part", "board", "side"];
    return good({
      fileName: `${fileStem(design)}-positions.csv`,
      mediaType: "text/csv",
      bytes: csvBytes(fields, rows),
    });
  },
};

export const drillCsv: Artifact = {
  id: "drill-csv",
  title: "Drill table",
  purpose: "Every round hole of the plates (posts, standoffs, bushings, lamps) with its place and diameter in mm.",
  make: async (design) => {
    const { openings } = derive(design);
    const boards = new Map(design.boards.map(({ id, name }) => [id, name]));
    const rows = openings
      .filter(({ outline }) => outline.core.length === 1)
      .map(({ owner, outline }, nth) => {
        const { label, placement } = design.controls[owner];
        const box = boundsOf([outline])!;
        return {
          "No.": nth + 1,
          "x (mm)": mm(outline.core[0].xMm),
          "y (mm)": mm(outline.core[0].yMm),
          "diameter (mm)": mm(box.maxXMm - box.minXMm),
          of: asText(label),
          board: asText(boards.get(placement.boardId) ?? ""),
        };
      });
    const fields = ["No.", "x (mm)", "y (mm)", "diameter (mm)", "of", "board"];
    return good({ fileName: `${fileStem(design)}-drill.csv`, mediaType: "text/csv", bytes: csvBytes(fields, rows) });
  },
};
