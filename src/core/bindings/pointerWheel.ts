import { whole, z } from "../schema";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";
import { DIRECTION_CODE, directionOf, directions } from "./pointerMove";

const pointerWheelSchema = z.strictObject({
  does: z.literal("pointer-wheel"),
  direction: z.enum(directions),
  /** From one step to the next while its key is held; 0 for one step only. */
  everyMs: whole(0, 5000),
});
export type PointerWheelBinding = z.infer<typeof pointerWheelSchema>;

/** The wheel turns by a step, and again while its key is held. */
export const pointerWheel: BindingKind<PointerWheelBinding> = {
  does: "pointer-wheel",
  schema: pointerWheelSchema,
  action: ACTION.POINTER_WHEEL,
  decode: ({ modifiers, value }) => ({ does: "pointer-wheel", direction: directionOf(modifiers), everyMs: value }),
  report: "pointer",
  phrase: ({ direction, everyMs }) => `wheel ${direction}${everyMs > 0 ? ` every ${everyMs} ms` : ""}`,
  encode: ({ direction, everyMs }) => ({
    kind: ACTION.POINTER_WHEEL,
    modifiers: DIRECTION_CODE[direction],
    value: everyMs,
  }),
};
