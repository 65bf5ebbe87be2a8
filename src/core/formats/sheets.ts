import { kindOf } from "../catalogue/kinds";
import { bad, good } from "../document/problem";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { phraseOf } from "../bindings";
import { phraseContextOf } from "../keymap/phraseContext";
import { outlineRing } from "../geometry/ring";
import { plateDrawings } from "../making/plateDrawing";
import { type Artifact, fileStem, utf8 } from "./artifact";
import { plateLayers } from "./plateLayers";
import { type Whole, printPages, printWhole } from "./printPages";
import { boxAround, escapeXml, ringData, svgLayer } from "./svgText";

export const printSheets: Artifact = {
  id: "print-sheets",
  title: "Plate at 1 : 1 for paper",
  purpose: "The plate over as many A4 pages as it takes, with a scale bar, for a paper template.",
  make: async (design) => {
    const layers = plateLayers(design).filter(({ name }) => !name.startsWith("REINFORCEMENT"));
    const rings = layers.flatMap((layer) => layer.rings);
    if (rings.length === 0 || plateDrawings(design).length === 0)
      return bad({ path: "controls", message: "are none yet, so there is no plate to print" });
    const text = printPages(`${design.name}: plate`, boxAround(rings, 3), layers.map(svgLayer).join("\n"));
    return good({ fileName: `${fileStem(design)}-plate-sheets.html`, mediaType: "text/html", bytes: utf8(text) });
  },
};

/** Legends of a control on each layer, base first; layers that say nothing of their own are left out. */
function legendsOf(design: Design, controlId: string): string[] {
  const context = phraseContextOf(design);
  return design.keymap.layers.map((layer) => {
    const binding = layer.bindings[`${controlId}:press`];
    return binding ? phraseOf(binding, context) : "";
  });
}

/** Corners of a cap for the layers above the base: right below, left below, right above. */
const CORNERS: [x: number, y: number, anchor: string][] = [
  [0.46, 0.44, "end"],
  [-0.46, 0.44, "start"],
  [0.46, -0.24, "end"],
];

const fitted = (words: string, widthMm: number, most: number) =>
  Math.min(most, widthMm / Math.max(1, words.length * 0.55));

function legendCell(design: Design, control: Design["controls"][number]): string {
  const { capPieces } = derive(design);
  const nth = design.controls.indexOf(control);
  const pieces = capPieces.filter(({ owner }) => owner === nth).map(({ outline }) => outlineRing(outline));
  const { xMm, yMm, rotationDeg } = control.placement;
  const isKey = control.kind === "key";
  const width = (isKey ? control.widthU * design.pitch.xMm : 12) - 3;
  const height = (isKey ? control.heightU * design.pitch.yMm : 12) - 3;
  const [base, ...others] = legendsOf(design, control.id);
  const main = base || control.label;
  const size = fitted(main, width, 4.5);
  const upper = others
    .filter((words) => words !== "")
    .slice(0, CORNERS.length)
    .map((words, layer) => {
      const [x, y, anchor] = CORNERS[layer];
      const small = fitted(words, width * 0.48, 2.2);
      return `<text x="${(x * width).toFixed(2)}" y="${(y * height).toFixed(2)}" font-size="${small.toFixed(2)}" text-anchor="${anchor}">${escapeXml(words)}</text>`;
    });
  const group = design.colourGroups.find(({ id }) => isKey && id === control.groupId);
  const outline = pieces
    .map((ring) => `<path d="${ringData(ring)}" fill="${group?.colour ?? "none"}" stroke="#555" stroke-width="0.15"/>`)
    .join("");
  return `${outline}<g transform="translate(${xMm} ${yMm}) rotate(${rotationDeg})"><text y="${(size * 0.1).toFixed(2)}" font-size="${size.toFixed(2)}" text-anchor="middle">${escapeXml(main)}</text>${upper.join("")}</g>`;
}

/** A cap with its legends, and the room that it takes. */
function wholeCell(design: Design, control: Design["controls"][number]): Whole {
  const { capPieces } = derive(design);
  const nth = design.controls.indexOf(control);
  const rings = capPieces.filter(({ owner }) => owner === nth).map(({ outline }) => outlineRing(outline));
  const { xMm, yMm } = control.placement;
  return { box: boxAround([...rings, [{ xMm, yMm }]], 1), content: legendCell(design, control) };
}

export const legendSheet: Artifact = {
  id: "legend-sheet",
  title: "Legend sheet at 1 : 1",
  purpose: "Every cap whole and in the exact grid, a board after the other, with its legends of all layers.",
  make: async (design) => {
    const shown = design.controls.filter((control) => kindOf(control).inputs(control).length > 0);
    if (shown.length === 0)
      return bad({ path: "controls", message: "have nothing to press yet, so there are no legends" });
    const boards = design.boards.map(({ id, name }) => ({
      name: design.boards.length > 1 ? name : "",
      things: shown.filter(({ placement }) => placement.boardId === id).map((control) => wholeCell(design, control)),
    }));
    const text = printWhole(`${design.name}: legends`, boards);
    return good({ fileName: `${fileStem(design)}-legends.html`, mediaType: "text/html", bytes: utf8(text) });
  },
};
