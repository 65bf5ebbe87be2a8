import { ACTION } from "../contract/contract";
import { hatSides } from "../hid/padShape";
import { z } from "../schema";
import type { BindingKind } from "./bindingKind";

const padHatSchema = z.strictObject({ does: z.literal("pad-hat"), side: z.enum(hatSides) });
export type PadHatBinding = z.infer<typeof padHatSchema>;

/** A side of the game pad's hat; two beside each other are the way between them, two across from each other none. */
export const padHat: BindingKind<PadHatBinding> = {
  does: "pad-hat",
  schema: padHatSchema,
  action: ACTION.PAD_HAT,
  decode: ({ value }) => ({ does: "pad-hat", side: hatSides[value] }),
  report: "pad",
  phrase: ({ side }) => `game pad hat ${side}`,
  encode: ({ side }) => ({ kind: ACTION.PAD_HAT, modifiers: 0, value: hatSides.indexOf(side) }),
};
