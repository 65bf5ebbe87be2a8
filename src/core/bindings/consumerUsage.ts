import { whole, z } from "../schema";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const consumerUsageSchema = z.strictObject({
  does: z.literal("consumer"),
  /** Usage on the consumer page (0x0C) of the HID Usage Tables. */
  usage: whole(1, 0x3ff),
});
export type ConsumerBinding = z.infer<typeof consumerUsageSchema>;

export const consumerUsage: BindingKind<ConsumerBinding> = {
  does: "consumer",
  schema: consumerUsageSchema,
  action: ACTION.CONSUMER,
  decode: ({ value }) => ({ does: "consumer", usage: value }),
  report: "consumer",
  phrase: ({ usage }, context) => context.consumerUsage(usage),
  encode: (binding) => ({ kind: ACTION.CONSUMER, modifiers: 0, value: binding.usage }),
};
