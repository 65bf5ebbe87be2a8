import { type Point, point } from "../geometry/point";
import type { Design } from "../document/schema";
import { addControl } from "./controls";
import { tidyMm } from "../geometry/tidyMm";

/** Places a straight block of keys, row by row, its first key at `from`. */
export function placeBlock(design: Design, columns: number, rows: number, from: Point, newId: () => string): Design {
  const boardId = design.boards[0].id;
  let result = design;
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const at = point(tidyMm(from.xMm + column * design.pitch.xMm), tidyMm(from.yMm + row * design.pitch.yMm));
      result = addControl(result, "key", newId(), { ...at, rotationDeg: 0, boardId });
    }
  }
  return result;
}
