import { whole, z } from "../schema";
import type { Pitch } from "../catalogue/kinds/controlKind";
import { type Slot, type StartShape, listField, offsetsSchema, wholeField } from "./startShape";

const schema = z.strictObject({
  shape: z.literal("staggered-columns"),
  columns: whole(1, 30),
  rows: whole(1, 12),
  /** How far each column lies below the first, in mm; the longest finger's column lies highest. */
  offsetsMm: offsetsSchema,
});
type StaggeredColumns = z.infer<typeof schema>;

export const columnSlots = (columns: number, rows: number, offsetsMm: number[], pitch: Pitch): Slot[] =>
  Array.from({ length: rows * columns }, (_, nth) => ({
    xMm: (nth % columns) * pitch.xMm,
    yMm: Math.floor(nth / columns) * pitch.yMm + (offsetsMm[nth % columns] ?? 0),
    rotationDeg: 0,
  }));

export const staggeredColumns: StartShape<StaggeredColumns> = {
  shape: "staggered-columns",
  title: "Staggered columns",
  schema,
  fresh: { shape: "staggered-columns", columns: 6, rows: 4, offsetsMm: [0, 0, -4, -7, -4, -2] },
  fields: [
    wholeField("columns", "Columns", 1, 30),
    wholeField("rows", "Rows", 1, 12),
    listField("offsetsMm", "Offset of each column", "mm"),
  ],
  slots: ({ columns, rows, offsetsMm }, pitch) => columnSlots(columns, rows, offsetsMm, pitch),
};
