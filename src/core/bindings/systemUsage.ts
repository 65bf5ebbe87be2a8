import { z } from "../schema";
import { ACTION } from "../contract/contract";
import { SYSTEM_USAGES, systemDeeds } from "../hid/systemUsages";
import type { BindingKind } from "./bindingKind";

const systemUsageSchema = z.strictObject({ does: z.literal("system"), deed: z.enum(systemDeeds) });
export type SystemBinding = z.infer<typeof systemUsageSchema>;

/** What the whole computer does: power down, sleep, wake up. */
export const systemUsage: BindingKind<SystemBinding> = {
  does: "system",
  schema: systemUsageSchema,
  action: ACTION.SYSTEM,
  decode: ({ value }) => ({ does: "system", deed: systemDeeds[value] }),
  report: "system",
  phrase: ({ deed }) => SYSTEM_USAGES[deed].name,
  encode: ({ deed }) => ({ kind: ACTION.SYSTEM, modifiers: 0, value: systemDeeds.indexOf(deed) }),
};
