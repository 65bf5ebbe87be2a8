import { whole, z } from "../schema";
import { ACTION, AWAKE } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

export const awakeLastings = ["switched", "held"] as const;

const awakeSchema = z.strictObject({
  does: z.literal("awake"),
  /** Until its next press, or while it is held. */
  lasting: z.enum(awakeLastings),
  /** Seconds from one movement to the next. */
  everyS: whole(1, 3600),
});
export type AwakeBinding = z.infer<typeof awakeSchema>;

/** The pointer moves by one count now and then, and back, so that the computer does not take the person for gone. */
export const awake: BindingKind<AwakeBinding> = {
  does: "awake",
  schema: awakeSchema,
  action: ACTION.AWAKE,
  decode: ({ modifiers, value }) => ({
    does: "awake",
    lasting: modifiers === AWAKE.HELD ? "held" : "switched",
    everyS: value,
  }),
  report: "pointer",
  phrase: ({ lasting }) => `keep the computer awake${lasting === "held" ? " while held" : ""}`,
  encode: ({ lasting, everyS }) => ({
    kind: ACTION.AWAKE,
    modifiers: lasting === "held" ? AWAKE.HELD : AWAKE.SWITCHED,
    value: everyS,
  }),
};
