import { whole, z } from "../schema";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const nextModifiersSchema = z.strictObject({
  does: z.literal("next-modifiers"),
  /** Bit 0 = left control … bit 7 = right GUI, as in the report's first byte. */
  modifiers: whole(1, 255),
});
export type NextModifiersBinding = z.infer<typeof nextModifiersSchema>;

/** Modifiers that the next key brings along; while its own key is held, all that is pressed does. */
export const nextModifiers: BindingKind<NextModifiersBinding> = {
  does: "next-modifiers",
  schema: nextModifiersSchema,
  action: ACTION.NEXT_MODIFIERS,
  decode: ({ modifiers }) => ({ does: "next-modifiers", modifiers }),
  report: "keyboard",
  phrase: ({ modifiers }, context) => `${context.modifiers(modifiers)} for the next key`,
  encode: ({ modifiers }) => ({ kind: ACTION.NEXT_MODIFIERS, modifiers, value: 0 }),
};
