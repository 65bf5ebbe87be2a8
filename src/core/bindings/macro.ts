import { z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const macroBindingSchema = z.strictObject({ does: z.literal("macro"), macroId: idSchema });
export type MacroBinding = z.infer<typeof macroBindingSchema>;

/** Steps that the device does by itself; they stand in the keymap, by name. */
export const macro: BindingKind<MacroBinding> = {
  does: "macro",
  schema: macroBindingSchema,
  action: ACTION.MACRO,
  decode: ({ value }, { played }) => played(value),
  report: null,
  phrase: ({ macroId }, { macroName }) => `play ${macroName(macroId)}`,
  encode: (binding, { playedAt }) => ({ kind: ACTION.MACRO, modifiers: 0, value: playedAt(binding) }),
};
