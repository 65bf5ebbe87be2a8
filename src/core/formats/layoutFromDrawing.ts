import type { Control } from "../catalogue/kinds";
import { controlKinds } from "../catalogue/kinds";
import type { Pitch } from "../catalogue/kinds/controlKind";
import { extentAt, smallestRectangle } from "../geometry/smallestRectangle";
import { type Point, distanceMm } from "../geometry/point";
import { type Ring, isInside, ringAreaMm2, ringCentre } from "../geometry/ring";
import type { DrawingIn } from "./drawingIn";
import type { KeyRow } from "./keyTable";
import { CAPS_PREFIX, EDGE_LAYER, LABELS_LAYER } from "./plateLayers";

export interface LayoutIn {
  rows: KeyRow[];
  /** The largest outline around the others, when there is one. */
  outline: Ring | null;
  notes: string[];
}

/** A cap leaves this much to its unit cell on both sides together (common practice: 18.1 mm on 19.05 mm). */
const CAP_GAP_MM = 0.95;
const quarters = (u: number) => Math.round(u * 4) / 4;

const kindOfLayer = (layer: string): Control["kind"] | undefined =>
  layer.startsWith(CAPS_PREFIX)
    ? controlKinds.find(({ kind }) => kind.replace(/-/g, "_").toUpperCase() === layer.slice(CAPS_PREFIX.length))?.kind
    : undefined;

const plain = { widthU: 1, heightU: 1, mirrored: false, label: "" };

/** Cap sizes in units from the extents of its outlines, turned upright. Only the first piece counts. */
function capUnits(ring: Ring, rotationDeg: number, pitch: Pitch) {
  const { widthMm, heightMm } = extentAt(ring, -rotationDeg);
  return {
    widthU: quarters((widthMm + CAP_GAP_MM) / pitch.xMm),
    heightU: quarters((heightMm + CAP_GAP_MM) / pitch.yMm),
  };
}

/** Our own drawings carry a word at every part's centre, turned as the part, and caps on a layer of their kind. */
function fromOwn({ rings, texts }: DrawingIn, pitch: Pitch): KeyRow[] {
  const caps = rings.flatMap(({ ring, layer }) => {
    const kind = kindOfLayer(layer);
    return kind ? [{ ring, kind }] : [];
  });
  return texts
    .filter(({ layer }) => layer === LABELS_LAYER)
    .flatMap(({ xMm, yMm, rotationDeg, text }): KeyRow[] => {
      const cap = caps
        .filter(({ ring }) => isInside({ xMm, yMm }, ring))
        .sort((a, b) => ringAreaMm2(a.ring) - ringAreaMm2(b.ring))[0];
      if (!cap) return [];
      const size = cap.kind === "key" ? capUnits(cap.ring, rotationDeg, pitch) : {};
      return [{ ...plain, ...size, kind: cap.kind, label: text, xMm, yMm, rotationDeg }];
    });
}

/** Turn of a square or rectangle between −45° and 45°. */
function turnOf(ring: Ring): number {
  const deg = -smallestRectangle(ring).angleDeg;
  const wrapped = ((((deg + 45) % 90) + 90) % 90) - 45;
  return Math.abs(wrapped) < 1e-6 ? 0 : Math.round(wrapped * 1000) / 1000;
}

/** What one closed outline is taken for; null when it looks like nothing known. Sizes: common practice. */
function recognised(ring: Ring, pitch: Pitch): Omit<KeyRow, "label" | "xMm" | "yMm"> | null {
  const { widthMm, heightMm } = smallestRectangle(ring);
  const [short, long] = [Math.min(widthMm, heightMm), Math.max(widthMm, heightMm)];
  const isRound = ringAreaMm2(ring) / (widthMm * heightMm) < 0.82;
  if (isRound && long - short < 0.3) {
    if (long >= 22 && long <= 31) return { ...plain, kind: "key", rotationDeg: 0 };
    if (long >= 6 && long <= 10) return { ...plain, kind: "encoder", rotationDeg: 0 };
    return long >= 2 && long <= 4.5 ? { ...plain, kind: "fixing", rotationDeg: 0 } : null;
  }
  const rotationDeg = turnOf(ring);
  if (short >= 13.3 && long <= 14.6) return { ...plain, kind: "key", rotationDeg };
  const units = capUnits(ring, rotationDeg, pitch);
  const isCap =
    short > 15.5 && Math.abs(short + CAP_GAP_MM - pitch.yMm * quarters((short + CAP_GAP_MM) / pitch.yMm)) < 1.2;
  return isCap && long < pitch.xMm * 10 ? { ...plain, kind: "key", rotationDeg, ...units } : null;
}

const SAME_MM = 1.5;

function fromOutlines(drawing: DrawingIn, pitch: Pitch): LayoutIn {
  const bySize = [...drawing.rings].sort((a, b) => ringAreaMm2(b.ring) - ringAreaMm2(a.ring));
  const edge = edgeOf(bySize.map(({ ring }) => ring));
  const rows: KeyRow[] = [];
  let left = 0;
  for (const { ring } of bySize) {
    if (ring === edge) continue;
    const found = recognised(ring, pitch);
    const centre = ringCentre(ring);
    // Cap and opening of one key lie about one centre: the larger one counts.
    if (rows.some((row) => distanceMm(row, centre) < SAME_MM)) continue;
    if (found) rows.push({ ...found, ...centre, label: labelAt(drawing, centre) });
    else left += 1;
  }
  const notes =
    left > 0
      ? [
          left === 1
            ? "1 closed outline looks like no known part and was left out."
            : `${left} closed outlines look like no known part and were left out.`,
        ]
      : [];
  return { rows, outline: edge, notes };
}

/** A word near a centre is its label. */
const labelAt = ({ texts }: DrawingIn, centre: Point) =>
  texts.find((text) => distanceMm(text, centre) < 8)?.text.slice(0, 40) ?? "";

/** The largest outline is the board's edge when it holds at least two others. */
function edgeOf(rings: Ring[]): Ring | null {
  const [largest, ...others] = rings;
  if (!largest) return null;
  return others.filter((ring) => isInside(ringCentre(ring), largest)).length >= 2 ? largest : null;
}

/** Parts from the outlines of a drawing: exactly from our own, by size and form from any other. */
export function layoutFromDrawing(drawing: DrawingIn, pitch: Pitch): LayoutIn {
  const own = fromOwn(drawing, pitch);
  if (own.length === 0) return fromOutlines(drawing, pitch);
  const edge = drawing.rings.find(({ layer }) => layer === EDGE_LAYER)?.ring ?? null;
  return { rows: own, outline: edge, notes: [] };
}
