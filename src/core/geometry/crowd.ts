import { overlaps } from "./clearance";
import { type Outline, boxOf } from "./outline";

/** Side of a cell: larger than most parts, so that each lies in few. */
const CELL_MM = 20;

/** Outlines that lie about, kept by the cells that they touch: only neighbours are compared. */
export class Crowd {
  private readonly cells = new Map<string, Outline[]>();

  constructor(outlines: Outline[]) {
    outlines.forEach((outline) => this.add(outline));
  }

  add(outline: Outline) {
    for (const cell of cellsOf(outline)) {
      const here = this.cells.get(cell);
      if (here) here.push(outline);
      else this.cells.set(cell, [outline]);
    }
  }

  /** Whether an outline lies on any of them. */
  isOnAnother(outline: Outline): boolean {
    return cellsOf(outline).some((cell) => this.cells.get(cell)?.some((other) => overlaps(outline, other)));
  }
}

const cellAt = (mm: number) => Math.floor(mm / CELL_MM);

function cellsOf(outline: Outline): string[] {
  const { minXMm, maxXMm, minYMm, maxYMm } = boxOf(outline);
  const cells: string[] = [];
  for (let x = cellAt(minXMm); x <= cellAt(maxXMm); x++)
    for (let y = cellAt(minYMm); y <= cellAt(maxYMm); y++) cells.push(`${x} ${y}`);
  return cells;
}
