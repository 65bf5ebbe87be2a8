import { whole, z } from "../schema";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const keyboardUsageSchema = z.strictObject({
  does: z.literal("keyboard"),
  /** Usage on the keyboard page (0x07) of the HID Usage Tables. */
  usage: whole(4, 0xe7),
  /** Modifiers held with it, bit 0 = left control … bit 7 = right GUI, as in the report's first byte. */
  modifiers: whole(0, 255),
});
export type KeyboardBinding = z.infer<typeof keyboardUsageSchema>;

export const keyboardUsage: BindingKind<KeyboardBinding> = {
  does: "keyboard",
  schema: keyboardUsageSchema,
  action: ACTION.KEYBOARD,
  decode: ({ modifiers, value }) => ({ does: "keyboard", usage: value, modifiers }),
  report: "keyboard",
  phrase: ({ usage, modifiers }, context) => context.keyboardUsage(usage, modifiers),
  encode: (binding) => ({ kind: ACTION.KEYBOARD, modifiers: binding.modifiers, value: binding.usage }),
  types: ({ usage, modifiers }) => ({ usage, modifiers }),
};
