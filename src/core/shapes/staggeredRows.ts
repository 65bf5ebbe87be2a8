import { whole, z } from "../schema";
import { ones, rowLine } from "./rowLine";
import { type StartShape, listField, offsetsSchema, wholeField } from "./startShape";

const schema = z.strictObject({
  shape: z.literal("staggered-rows"),
  columns: whole(1, 30),
  rows: whole(1, 12),
  /** How far each row begins to the right of the first, in units. */
  offsetsU: offsetsSchema,
});
type StaggeredRows = z.infer<typeof schema>;

export const staggeredRows: StartShape<StaggeredRows> = {
  shape: "staggered-rows",
  title: "Staggered rows",
  schema,
  fresh: { shape: "staggered-rows", columns: 10, rows: 3, offsetsU: [0, 0.25, 0.75] },
  fields: [
    wholeField("columns", "Columns", 1, 30),
    wholeField("rows", "Rows", 1, 12),
    listField("offsetsU", "Offset of each row", "u"),
  ],
  slots: ({ columns, rows, offsetsU }, pitch) =>
    Array.from({ length: rows }, (_, row) => rowLine(ones(columns), offsetsU[row] ?? 0, row, pitch)).flat(),
};
