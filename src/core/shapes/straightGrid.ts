import { whole, z } from "../schema";
import { type StartShape, wholeField } from "./startShape";

const schema = z.strictObject({ shape: z.literal("straight-grid"), columns: whole(1, 30), rows: whole(1, 20) });
type StraightGrid = z.infer<typeof schema>;

export const straightGrid: StartShape<StraightGrid> = {
  shape: "straight-grid",
  title: "Straight grid",
  schema,
  fresh: { shape: "straight-grid", columns: 3, rows: 3 },
  fields: [wholeField("columns", "Columns", 1, 30), wholeField("rows", "Rows", 1, 20)],
  slots: ({ columns, rows }, pitch) =>
    Array.from({ length: rows * columns }, (_, nth) => ({
      xMm: (nth % columns) * pitch.xMm,
      yMm: Math.floor(nth / columns) * pitch.yMm,
      rotationDeg: 0,
    })),
};
