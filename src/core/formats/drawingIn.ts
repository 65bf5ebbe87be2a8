import type { Ring } from "../geometry/ring";
import type { LineProblem } from "./table";

/** Closed lines and words of a drawing, in mm with y downwards. */
export interface DrawingIn {
  rings: { ring: Ring; layer: string }[];
  texts: { xMm: number; yMm: number; rotationDeg: number; text: string; layer: string }[];
  problems: LineProblem[];
}

export const leftOpen = (count: number): string =>
  count === 1 ? "1 line that is not closed was left out." : `${count} lines that are not closed were left out.`;
