import { whole, z } from "../schema";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const repeatSchema = z.strictObject({
  does: z.literal("repeat"),
  /** Usage on the keyboard page, and modifiers held with it. */
  usage: whole(4, 0xdf),
  modifiers: whole(0, 255),
  /** From the first keystroke to the second, and from each one to the next from then on. */
  afterMs: whole(1, 5000),
  everyMs: whole(2, 5000),
});
export type RepeatBinding = z.infer<typeof repeatSchema>;

/** A keystroke that the device itself repeats while its key is held: the firmware plays it as a macro. */
export const repeat: BindingKind<RepeatBinding> = {
  does: "repeat",
  schema: repeatSchema,
  // Entries of macros are read back by the macro's own kind.
  action: ACTION.MACRO,
  decode: ({ value }, { played }) => played(value),
  report: "keyboard",
  phrase: ({ usage, modifiers, everyMs }, context) =>
    `${context.keyboardUsage(usage, modifiers)} again every ${everyMs} ms`,
  encode: (binding, { playedAt }) => ({ kind: ACTION.MACRO, modifiers: 0, value: playedAt(binding) }),
  types: ({ usage, modifiers }) => ({ usage, modifiers }),
};
