import { zipSync } from "fflate";
import { type CasePlan, casePlan } from "../cases/casePlan";
import { type CasePiece, caseSolids } from "../cases/caseSolids";
import { type CaseLayers, caseLayers } from "../cases/layers";
import { lyingOnBed } from "../cases/printPlace";
import { type CaseWay, usualCase, usualLayers } from "../document/caseSettings";
import { type Result, bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { stemOf } from "../fileStem";
import { point } from "../geometry/point";
import { binaryStl } from "../making/solid";
import { trianglesOf } from "./caseMesh";
import type { Mesh } from "../cases/mesh";
import { type Artifact, type ExportedFile, FILE_DATE, fileStem, utf8 } from "./artifact";
import { type DxfLayer, dxfR12 } from "./dxfR12";
import { boxAround, svgLayer, svgOpen } from "./svgText";
import { threeMf } from "./threeMf";

const words: Record<CaseWay, string> = { printed: "a printed tray", layers: "cut layers" };

/** The cases of all boards that have one, of one way; a design that says nothing gets the usual one. */
function plansFor(design: Design, way: CaseWay): Result<{ design: Design; plans: CasePlan[] }> {
  if (design.case && design.case.way !== way)
    return bad({ path: "case.way", message: `is ${words[design.case.way]}; choose ${words[way]} in Make, Case` });
  const own: Design = { ...design, case: design.case ?? (way === "printed" ? usualCase : usualLayers) };
  const plans = own.boards.map((board) => casePlan(own, board)).filter((plan) => plan !== null);
  return plans.length > 0
    ? good({ design: own, plans })
    : bad({ path: "boards", message: "have no edge and no plate, so there is nothing to put a case around" });
}

interface NamedPiece extends CasePiece {
  name: string;
  lying: Mesh;
}

/** All pieces of all boards, named, as they lie on the bed. */
async function namedPieces(design: Design, plans: CasePlan[]): Promise<NamedPiece[]> {
  const all: NamedPiece[] = [];
  for (const plan of plans) {
    const { pieces, bed } = await caseSolids(design, plan);
    for (const piece of pieces)
      all.push({
        ...piece,
        name: plans.length > 1 ? `${plan.board.name}, ${piece.name}` : piece.name,
        lying: lyingOnBed(piece, bed),
      });
  }
  return all;
}

const zipped = (files: [string, Uint8Array][]) => zipSync(Object.fromEntries(files), { mtime: FILE_DATE, level: 6 });

/** Names that come twice get a number that no other has, so that none is lost in an archive. */
function numbered(names: string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    let own = name;
    for (let nth = 2; taken.has(own); nth++) own = `${name}-${nth}`;
    taken.add(own);
    return own;
  });
}

/** The pieces of a printed case, or why there are none. */
async function printedPieces(design: Design): Promise<Result<NamedPiece[]>> {
  const planned = plansFor(design, "printed");
  return planned.ok ? good(await namedPieces(planned.value.design, planned.value.plans)) : planned;
}

export const caseStl: Artifact = {
  id: "case-stl",
  title: "Printed case (STL)",
  purpose: "Tray and feet as closed solids, in mm, lying as they are printed; several come in one archive.",
  make: async (design) => {
    const made = await printedPieces(design);
    if (!made.ok) return made;
    const pieces = made.value;
    const stem = `${fileStem(design)}-case`;
    const stls = pieces.map(({ lying }) => binaryStl(trianglesOf(lying)));
    if (stls.length === 1) return good({ fileName: `${stem}.stl`, mediaType: "model/stl", bytes: stls[0] });
    const names = numbered(pieces.map(({ name }) => stemOf(name, "piece")));
    const bytes = zipped(stls.map((stl, nth) => [`${names[nth]}.stl`, stl]));
    return good({ fileName: `${stem}.zip`, mediaType: "application/zip", bytes });
  },
};

const APART_MM = 5;

export const case3mf: Artifact = {
  id: "case-3mf",
  title: "Printed case (3MF)",
  purpose: "The same bodies by name in one package, with their unit, side by side.",
  make: async (design) => {
    const made = await printedPieces(design);
    if (!made.ok) return made;
    const pieces = made.value;
    let xMm = 0;
    const bodies = pieces.map(({ name, lying }) => {
      const body = { name, mesh: lying, xMm, yMm: 0 };
      xMm += APART_MM + lying.corners.reduce((most, value, at) => (at % 3 === 0 ? Math.max(most, value) : most), 0);
      return body;
    });
    const bytes = threeMf(`${design.name}: case`, bodies);
    return good({ fileName: `${fileStem(design)}-case.3mf`, mediaType: "model/3mf", bytes });
  },
};

/** Sheets stand side by side. */
const SHEETS_APART_MM = 30;

/** Layers of a drawing: one a shape, the sheets' outlines, and what each is. */
function drawnLayers(all: { plan: CasePlan; layers: CaseLayers }[]): DxfLayer[] {
  const several = all.length > 1;
  const texts: DxfLayer["texts"] = [];
  const sheets: DxfLayer["rings"] = [];
  const byName = new Map<string, DxfLayer["rings"]>();
  let left = 0;
  for (const [nth, { plan, layers }] of all.entries()) {
    const { bed } = layers;
    for (let sheet = 0; sheet < layers.sheets; sheet++) {
      const x = left + sheet * (bed.widthMm + SHEETS_APART_MM);
      sheets.push([
        point(x, 0),
        point(x + bed.widthMm, 0),
        point(x + bed.widthMm, bed.heightMm),
        point(x, bed.heightMm),
      ]);
      texts.push({
        xMm: x + bed.widthMm / 2,
        yMm: -4,
        rotationDeg: 0,
        text: `${plan.board.name}: ${plan.settings.sheet} ${plan.settings.sheetMm} mm, sheet ${sheet + 1} of ${layers.sheets}`,
      });
    }
    for (const { shape, sheet, xMm, yMm } of layers.laid) {
      const x = left + sheet * (bed.widthMm + SHEETS_APART_MM) + xMm;
      const name = several ? `PART${nth + 1}_${shape.name}` : shape.name;
      const rings = shape.rings.map((ring) => ring.map((p) => point(p.xMm + x, p.yMm + yMm)));
      byName.set(name, [...(byName.get(name) ?? []), ...rings]);
    }
    left += layers.sheets * (bed.widthMm + SHEETS_APART_MM);
  }
  const shapes = [...byName].map(([name, rings]): DxfLayer => ({ name, colour: 7, rings, texts: [] }));
  return [
    ...shapes,
    { name: "SHEETS_NOT_TO_CUT", colour: 8, rings: sheets, texts: [] },
    { name: "LABELS", colour: 2, rings: [], texts },
  ];
}

async function layersDrawn(design: Design): Promise<Result<DxfLayer[]>> {
  const planned = plansFor(design, "layers");
  if (!planned.ok) return planned;
  const all: { plan: CasePlan; layers: CaseLayers }[] = [];
  for (const plan of planned.value.plans) all.push({ plan, layers: await caseLayers(planned.value.design, plan) });
  return good(drawnLayers(all));
}

const drawing = (design: Design, ending: "dxf" | "svg", bytes: Uint8Array): Result<ExportedFile> =>
  good({
    fileName: `${fileStem(design)}-case.${ending}`,
    mediaType: ending === "dxf" ? "image/vnd.dxf" : "image/svg+xml",
    bytes,
  });

export const caseDxf: Artifact = {
  id: "case-dxf",
  title: "Cut case (DXF)",
  purpose: "A sandwich of sheets laid out for the cutter: release 12, a layer for each shape, with kerf.",
  make: async (design) => {
    const layers = await layersDrawn(design);
    return layers.ok ? drawing(design, "dxf", utf8(dxfR12(layers.value))) : layers;
  },
};

export const caseSvg: Artifact = {
  id: "case-svg",
  title: "Cut case (SVG)",
  purpose: "The same sheets as a drawing in mm.",
  make: async (design) => {
    const layers = await layersDrawn(design);
    if (!layers.ok) return layers;
    const box = boxAround(
      layers.value.flatMap(({ rings }) => rings),
      8,
    );
    const text = `${svgOpen(box)}\n${layers.value.map(svgLayer).join("\n")}\n</svg>\n`;
    return drawing(design, "svg", utf8(text));
  },
};
