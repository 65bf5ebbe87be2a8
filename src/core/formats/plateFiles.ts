import { type Result, bad, good } from "../document/problem";
import type { Design } from "../document/schema";
import { plateDrawings } from "../making/plateDrawing";
import { type Triangle, binaryStl, plateSolid } from "../making/solid";
import { type Artifact, type ExportedFile, fileStem, utf8 } from "./artifact";
import { dxfR12 } from "./dxfR12";
import { plateLayers } from "./plateLayers";
import { boxAround, svgLayer, svgOpen } from "./svgText";

const nothing = (): Result<ExportedFile> =>
  bad({ path: "controls", message: "are none yet, so there is no plate to draw" });
const isEmpty = (design: Design) => plateDrawings(design).length === 0;

export const plateSvg: Artifact = {
  id: "plate-svg",
  title: "Plate drawing (SVG)",
  purpose: "Edge, openings, reinforcement and caps on named layers, in mm, with kerf and fillets.",
  make: async (design) => {
    if (isEmpty(design)) return nothing();
    const layers = plateLayers(design);
    const box = boxAround(
      layers.flatMap(({ rings }) => rings),
      5,
    );
    const text = `${svgOpen(box)}\n${layers.map(svgLayer).join("\n")}\n</svg>\n`;
    return good({ fileName: `${fileStem(design)}-plate.svg`, mediaType: "image/svg+xml", bytes: utf8(text) });
  },
};

export const plateDxf: Artifact = {
  id: "plate-dxf",
  title: "Plate drawing (DXF)",
  purpose: "The same for cutters: release 12, mm, closed polylines on named layers.",
  make: async (design) => {
    if (isEmpty(design)) return nothing();
    const bytes = utf8(dxfR12(plateLayers(design)));
    return good({ fileName: `${fileStem(design)}-plate.dxf`, mediaType: "image/vnd.dxf", bytes });
  },
};

export const plateStl: Artifact = {
  id: "plate-stl",
  title: "Printed plate (STL)",
  purpose: "Every plate with its reinforcement layer as a closed solid, in mm, top side up.",
  make: async (design) => {
    if (isEmpty(design)) return nothing();
    const triangles: Triangle[] = [];
    for (const drawing of plateDrawings(design, true)) {
      const solid = plateSolid(drawing, design.making.reinforceMm);
      if (!solid.ok) return solid;
      // One by one: a call with hundreds of thousands of arguments would overflow the stack.
      for (const triangle of solid.value) triangles.push(triangle);
    }
    return good({ fileName: `${fileStem(design)}-plate.stl`, mediaType: "model/stl", bytes: binaryStl(triangles) });
  },
};
