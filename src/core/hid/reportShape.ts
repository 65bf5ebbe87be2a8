import { type PadAxis, usualPad } from "./padShape";

/** What of the reports depends on the design: what the game pad's holds, and the bytes of the keyboard's behind the boot layout. */
export interface ReportShape {
  keyBytes: number;
  buttons: number;
  hat: boolean;
  axes: { axis: PadAxis; bothSides: boolean }[];
  axisBits: number;
}

/** A keyboard's boot layout, and a game pad without axes. */
export const plainReports: ReportShape = { ...usualPad, axes: [], keyBytes: 0 };
