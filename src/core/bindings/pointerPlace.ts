import { whole, z } from "../schema";
import { ACTION, PLACE_STEPS } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

/** Tenths of a percent: on a screen of 4,000 points four of them, less than a hand can tell. */
export const PLACE_PARTS = 1000;

const pointerPlaceSchema = z.strictObject({
  does: z.literal("pointer-place"),
  /** From the left edge of the screen, and from its top, in tenths of a percent. */
  across: whole(0, PLACE_PARTS),
  down: whole(0, PLACE_PARTS),
});
export type PointerPlaceBinding = z.infer<typeof pointerPlaceSchema>;

const stepsOf = (parts: number) => Math.round((parts * PLACE_STEPS) / PLACE_PARTS);
const partsOf = (steps: number) => Math.round((steps * PLACE_PARTS) / PLACE_STEPS);
const percent = (parts: number) => `${parts / 10} %`;

/** At its press the pointer is put somewhere on the screen. */
export const pointerPlace: BindingKind<PointerPlaceBinding> = {
  does: "pointer-place",
  schema: pointerPlaceSchema,
  action: ACTION.POINTER_PLACE,
  decode: ({ modifiers, value }) => ({
    does: "pointer-place",
    across: partsOf(value & PLACE_STEPS),
    down: partsOf((value >> 12) | (modifiers << 4)),
  }),
  report: "place",
  phrase: ({ across, down }) => `pointer to ${percent(across)} across, ${percent(down)} down`,
  encode: ({ across, down }) => ({
    kind: ACTION.POINTER_PLACE,
    modifiers: stepsOf(down) >> 4,
    value: stepsOf(across) | ((stepsOf(down) & 0x0f) << 12),
  }),
};
