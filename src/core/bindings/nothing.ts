import { z } from "../schema";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const nothingSchema = z.strictObject({ does: z.literal("nothing") });
export type NothingBinding = z.infer<typeof nothingSchema>;

/** Deliberately silent, also when the layer beneath has something. */
export const nothing: BindingKind<NothingBinding> = {
  does: "nothing",
  schema: nothingSchema,
  action: ACTION.NOTHING,
  decode: () => ({ does: "nothing" }),
  report: null,
  phrase: () => "nothing",
  encode: () => ({ kind: ACTION.NOTHING, modifiers: 0, value: 0 }),
};
