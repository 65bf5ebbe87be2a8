import { type Schema, whole, z } from "../schema";
import { ACTION, LIMITS } from "../contract/contract";
import type { BindingKind } from "./bindingKind";
import { type SimpleBinding, jobBytes, jobOf, simplePhrase, simpleSchema } from "./simple";

const secondTapSchema = z.strictObject({
  does: z.literal("second-tap"),
  once: simpleSchema,
  twice: simpleSchema,
  /** From the first press to the second. */
  withinMs: whole(1, LIMITS.DEADLINE_MS),
});

export interface SecondTapBinding {
  does: "second-tap";
  once: SimpleBinding;
  twice: SimpleBinding;
  withinMs: number;
}

/** A key that does something else on the second tap within a time; what the first one does waits for it. */
export const secondTap: BindingKind<SecondTapBinding> = {
  does: "second-tap",
  schema: secondTapSchema as unknown as Schema<SecondTapBinding>,
  action: ACTION.SECOND_TAP,
  report: null,
  phrase: ({ once, twice }, context) =>
    `${simplePhrase(once, context)}, on the second tap ${simplePhrase(twice, context)}`,
  encode: ({ once, twice, withinMs }, context) => ({
    kind: ACTION.SECOND_TAP,
    modifiers: 0,
    value: withinMs,
    more: [...jobBytes(once, context), ...jobBytes(twice, context)],
  }),
  decode: ({ value, more = [] }, context) => ({
    does: "second-tap",
    once: jobOf(more.slice(0, 4), context),
    twice: jobOf(more.slice(4, 8), context),
    withinMs: value,
  }),
  jobs: ({ once, twice }) => [once, twice],
};
