import { ACTION, LIMITS } from "../contract/contract";
import { whole, z } from "../schema";
import type { BindingKind } from "./bindingKind";

const padButtonSchema = z.strictObject({
  does: z.literal("pad-button"),
  /** From 0 on: button 1 of the HID Usage Tables' button page and the next ones. */
  button: whole(0, LIMITS.PAD_BUTTONS - 1),
});
export type PadButtonBinding = z.infer<typeof padButtonSchema>;

/** A button of the game pad, down for as long as its key is. */
export const padButton: BindingKind<PadButtonBinding> = {
  does: "pad-button",
  schema: padButtonSchema,
  action: ACTION.PAD_BUTTON,
  decode: ({ value }) => ({ does: "pad-button", button: value }),
  report: "pad",
  phrase: ({ button }) => `game pad button ${button + 1}`,
  encode: ({ button }) => ({ kind: ACTION.PAD_BUTTON, modifiers: 0, value: button }),
};
