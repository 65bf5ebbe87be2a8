import { idSchema } from "../catalogue/kinds/controlKind";
import { PANEL } from "../contract/panel";
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
  /** A flag that the computer sets, by its number. */
  z.strictObject({ when: z.literal("told"), flag: whole(0, PANEL.FLAGS - 1) }),
  /** A value has come so far: of a knob, an axis, or one that the computer tells (toldValue). */
  z.strictObject({ when: z.literal("value"), elementId: text(1, 80), atLeast: whole(1, 255) }),
] as const;

/** What a value that the computer tells is called where elements are, by its number. */
export const toldValue = (nth: number): string => `computer:${nth}`;
/** The number of such a value; -1 for what is none. */
export function toldNumber(elementId: string): number {
  const found = /^computer:([0-7])$/.exec(elementId);
  return found ? Number(found[1]) : -1;
}

export const lampRuleSchema = z.discriminatedUnion("when", [
  z.strictObject({ when: z.literal("never") }),
  ...shownStates,
]);
export type LampRule = z.infer<typeof lampRuleSchema>;
