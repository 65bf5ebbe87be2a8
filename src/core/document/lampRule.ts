import { idSchema } from "../catalogue/kinds/controlKind";
import { text, whole, z } from "../schema";

/** States of the device that a lamp can show, and a light too. */
export const shownStates = [
  z.strictObject({ when: z.literal("always") }),
  z.strictObject({ when: z.literal("layer"), layerId: idSchema }),
  z.strictObject({ when: z.literal("lock"), lock: z.enum(["num", "caps", "scroll"]) }),
  /** Something stays for the next key. */
  z.strictObject({ when: z.literal("next") }),
  /** An input is held. */
  z.strictObject({ when: z.literal("held"), inputId: text(1, 80) }),
  /** The device keeps the computer awake. */
  z.strictObject({ when: z.literal("awake") }),
  /** A knob's value has come so far, by the element that is turned. */
  z.strictObject({ when: z.literal("value"), elementId: text(1, 80), atLeast: whole(1, 255) }),
] as const;

export const lampRuleSchema = z.discriminatedUnion("when", [
  z.strictObject({ when: z.literal("never") }),
  ...shownStates,
]);
export type LampRule = z.infer<typeof lampRuleSchema>;
