import { ACTION } from "../contract/contract";
import { whole, z } from "../schema";
import type { BindingKind } from "./bindingKind";
import { channelSchema, onChannel } from "./note";

const programSchema = z.strictObject({
  does: z.literal("program"),
  /** From 0 on, as it is told; people count from 1. */
  program: whole(0, 127),
  channel: channelSchema,
});
export type ProgramBinding = z.infer<typeof programSchema>;

/** Chooses the sound of a channel. */
export const program: BindingKind<ProgramBinding> = {
  does: "program",
  schema: programSchema,
  action: ACTION.PROGRAM,
  decode: ({ modifiers, value }) => ({ does: "program", program: value, channel: modifiers }),
  report: "music",
  phrase: ({ program: number, channel }) => `program ${number + 1}${onChannel(channel)}`,
  encode: ({ program: number, channel }) => ({ kind: ACTION.PROGRAM, modifiers: channel, value: number }),
};
