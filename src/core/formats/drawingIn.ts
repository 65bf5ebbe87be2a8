import type { Ring } from "../layout/ring";
import type { LineProblem } from "./table";

/** Closed lines and words of a drawing, in mm with y downwards. */
export interface DrawingIn {
  rings: { ring: Ring; layer: string }[];
  texts: { xMm: number; yMm: number; rotationDeg: number; text: string; layer: string }[];
  problems: LineProblem[];
}
