import { between, whole, z } from "../schema";
import { place, point } from "../geometry/point";
import { columnSlots } from "./staggeredColumns";
import { type Slot, type StartShape, listField, numberField, offsetsSchema, wholeField } from "./startShape";

const schema = z.strictObject({
  shape: z.literal("split-block"),
  columns: whole(1, 15),
  rows: whole(1, 12),
  offsetsMm: offsetsSchema,
  /** Between the innermost edges of the two blocks at their middle. */
  gapMm: between(0, 300),
  /** Each block is turned outwards by this much. */
  turnDeg: between(-45, 45),
});
type SplitBlock = z.infer<typeof schema>;

/** The left block about its own centre, then turned and shifted; the right one is its mirror image. */
function halves(params: SplitBlock, pitch: { xMm: number; yMm: number }): Slot[] {
  const { columns, rows, offsetsMm, gapMm, turnDeg } = params;
  const middle = point(((columns - 1) * pitch.xMm) / 2, ((rows - 1) * pitch.yMm) / 2);
  const outMm = gapMm / 2 + (columns * pitch.xMm) / 2;
  const left = columnSlots(columns, rows, offsetsMm, pitch).map((slot) => ({
    ...place(point(slot.xMm - middle.xMm, slot.yMm - middle.yMm), { xMm: -outMm, yMm: 0, rotationDeg: turnDeg }),
    rotationDeg: turnDeg,
  }));
  const right = left.map(({ xMm, yMm, rotationDeg }) => ({ xMm: -xMm, yMm, rotationDeg: -rotationDeg }));
  return [...left, ...right];
}

export const splitBlock: StartShape<SplitBlock> = {
  shape: "split-block",
  title: "Split with a gap",
  schema,
  fresh: { shape: "split-block", columns: 5, rows: 3, offsetsMm: [0, -3, -6, -3, -1], gapMm: 30, turnDeg: 10 },
  fields: [
    wholeField("columns", "Columns a half", 1, 15),
    wholeField("rows", "Rows", 1, 12),
    listField("offsetsMm", "Offset of each column", "mm"),
    numberField("gapMm", "Gap", "mm", 0, 300),
    numberField("turnDeg", "Turn of a half", "°", -45, 45),
  ],
  slots: halves,
};
