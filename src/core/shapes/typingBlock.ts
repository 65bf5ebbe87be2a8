import { z } from "../schema";
import type { Pitch } from "../catalogue/kinds/controlKind";
import { ones, rowLine } from "./rowLine";
import { type Slot, type StartShape, yesNoField } from "./startShape";

const schema = z.strictObject({
  shape: z.literal("typing-block"),
  /** The tall L-shaped Enter, with one more key on the third row; else the wide one. */
  tallEnter: z.boolean(),
  /** A key between the left Shift and the first letter of the fourth row. */
  extraKey: z.boolean(),
});
type TypingBlock = z.infer<typeof schema>;

/** Tall Enter: 1.25 × 2 u with 0.25 u more at the left of its upper row (common practice). */
const tallEnter = (pitch: Pitch): Slot => ({
  xMm: (13.75 + 0.125) * pitch.xMm,
  yMm: 1.5 * pitch.yMm,
  rotationDeg: 0,
  widthU: 1.25,
  heightU: 2,
  second: { xU: -0.125, yU: -0.5, widthU: 1.5, heightU: 1 },
});

/** Five rows of 15 units: the physical shapes that national typing layouts share (common practice). */
function rows({ tallEnter: tall, extraKey }: TypingBlock, pitch: Pitch): Slot[] {
  return [
    ...rowLine([...ones(13), 2], 0, 0, pitch),
    ...rowLine([1.5, ...ones(12), ...(tall ? [] : [1.5])], 0, 1, pitch),
    ...rowLine([1.75, ...ones(tall ? 12 : 11), ...(tall ? [] : [2.25])], 0, 2, pitch),
    ...(tall ? [tallEnter(pitch)] : []),
    ...rowLine([...(extraKey ? [1.25, 1] : [2.25]), ...ones(10), 2.75], 0, 3, pitch),
    ...rowLine([1.25, 1.25, 1.25, 6.25, 1.25, 1.25, 1.25, 1.25], 0, 4, pitch),
  ];
}

export const typingBlock: StartShape<TypingBlock> = {
  shape: "typing-block",
  title: "Typing block",
  schema,
  fresh: { shape: "typing-block", tallEnter: false, extraKey: false },
  fields: [yesNoField("tallEnter", "Tall Enter"), yesNoField("extraKey", "Extra key beside left Shift")],
  slots: rows,
};
