import type { Pitch } from "../catalogue/kinds/controlKind";
import type { Slot } from "./startShape";

/** Keys of given widths side by side, from `fromU` on; the first unit column has its middle at x = 0. */
export function rowLine(widthsU: number[], fromU: number, row: number, pitch: Pitch): Slot[] {
  let leftU = fromU;
  return widthsU.map((widthU) => {
    const slot = { xMm: (leftU + (widthU - 1) / 2) * pitch.xMm, yMm: row * pitch.yMm, rotationDeg: 0, widthU };
    leftU += widthU;
    return slot;
  });
}

export const ones = (count: number): number[] => new Array<number>(count).fill(1);
