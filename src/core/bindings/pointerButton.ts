import { whole, z } from "../schema";
import { ACTION, POINTER } from "../contract/contract";
import { POINTER_BUTTONS } from "../hid/pointerWords";
import type { BindingKind } from "./bindingKind";

const pointerButtonSchema = z.strictObject({
  does: z.literal("pointer-button"),
  /** From 0 on: button 1 of the HID Usage Tables' button page and the next ones. */
  button: whole(0, POINTER.BUTTONS - 1),
});
export type PointerButtonBinding = z.infer<typeof pointerButtonSchema>;

/** A button of the pointer, down for as long as its key is. */
export const pointerButton: BindingKind<PointerButtonBinding> = {
  does: "pointer-button",
  schema: pointerButtonSchema,
  action: ACTION.POINTER_BUTTON,
  decode: ({ value }) => ({ does: "pointer-button", button: value }),
  report: "pointer",
  phrase: ({ button }) => `${POINTER_BUTTONS[button]} button`,
  encode: ({ button }) => ({ kind: ACTION.POINTER_BUTTON, modifiers: 0, value: button }),
};
