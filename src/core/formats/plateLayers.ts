import { type PlateDrawing, plateDrawings } from "../making/plateDrawing";
import type { Design } from "../document/schema";
import type { DxfLayer } from "./dxfR12";

/** Caps lie on a layer of their kind, so that a drawing can be read back: CAPS_KEY, CAPS_ENCODER … */
export const CAPS_PREFIX = "CAPS_";
export const LABELS_LAYER = "LABELS";
export const EDGE_LAYER = "PLATE_EDGE";

const capLayer = (kind: string, drawings: PlateDrawing[]): DxfLayer => ({
  name: `${CAPS_PREFIX}${kind.replace(/-/g, "_").toUpperCase()}`,
  colour: 8,
  rings: drawings.flatMap(({ caps }) => caps.filter((cap) => cap.kind === kind).flatMap(({ pieces }) => pieces)),
  texts: [],
});

/** The layers of a design's plates, as drawings have them. */
export function plateLayers(design: Design): DxfLayer[] {
  const drawings = plateDrawings(design);
  const kinds = [...new Set(drawings.flatMap(({ caps }) => caps.map(({ kind }) => kind)))];
  const layer = (name: string, colour: number, rings: DxfLayer["rings"]): DxfLayer => ({
    name,
    colour,
    rings,
    texts: [],
  });
  const edges = drawings.map(({ edge }) => edge);
  const reinforcement = drawings.flatMap((drawing) => drawing.reinforcement);
  return [
    layer(EDGE_LAYER, 7, edges),
    layer(
      "PLATE_OPENINGS",
      1,
      drawings.flatMap(({ openings }) => openings),
    ),
    ...(reinforcement.length > 0
      ? [layer("REINFORCEMENT_EDGE", 5, edges), layer("REINFORCEMENT_OPENINGS", 3, reinforcement)]
      : []),
    ...kinds.map((kind) => capLayer(kind, drawings)),
    {
      ...layer(LABELS_LAYER, 2, []),
      texts: drawings.flatMap(({ caps }) =>
        caps.map(({ xMm, yMm, rotationDeg, label }) => ({ xMm, yMm, rotationDeg, text: label })),
      ),
    },
  ];
}
