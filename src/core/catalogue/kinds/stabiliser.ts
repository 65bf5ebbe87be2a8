import { type Outline, placeOutline, roundedRectangle } from "../../geometry/outline";
import { point } from "../../geometry/point";

/** From this width or height on a cap tilts without a stabiliser (common practice). */
export const STABILISED_FROM_U = 2;

/** Half the distance between the two outer stems, by the longest cap it serves, in mm (common practice). */
const HALF_SPANS: [upToU: number, halfSpanMm: number][] = [
  [2.99, 11.938],
  [3.99, 19.05],
  [5.99, 28.575],
  [6.24, 47.5],
  [6.74, 50],
  [10, 57.15],
];

/** One stabiliser opening in the plate: 6.75 × 14 mm, a little towards the person (from memory). */
const OPENING = { widthMm: 6.75, heightMm: 14, offsetMm: 0.6, radiusMm: 0.3 };

interface CapSize {
  widthU: number;
  heightU: number;
}

export const needsStabiliser = ({ widthU, heightU }: CapSize): boolean =>
  Math.max(widthU, heightU) >= STABILISED_FROM_U;

/**
 * The stabiliser of a long cap: half its span in mm, and its two openings about the key's centre. A cap that is taller
 * than wide has it upright. Null for a cap that needs none.
 */
export function stabiliserOf(size: CapSize): { halfSpanMm: number; openings: Outline[] } | null {
  if (!needsStabiliser(size)) return null;
  const longest = Math.max(size.widthU, size.heightU);
  const halfSpanMm = HALF_SPANS.find(([upTo]) => longest <= upTo)![1];
  const rotationDeg = size.heightU > size.widthU ? 90 : 0;
  const opening = roundedRectangle(OPENING.widthMm, OPENING.heightMm, OPENING.radiusMm);
  const openings = [-1, 1].map((side) => {
    const flat = placeOutline(opening, { ...point(side * halfSpanMm, OPENING.offsetMm), rotationDeg: 0 });
    return placeOutline(flat, { ...point(0, 0), rotationDeg });
  });
  return { halfSpanMm, openings };
}
