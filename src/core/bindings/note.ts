import { ACTION } from "../contract/contract";
import { MUSIC } from "../contract/music";
import { noteName } from "../hid/musicWords";
import { whole, z } from "../schema";
import type { BindingKind } from "./bindingKind";

export const channelSchema = whole(0, MUSIC.CHANNELS - 1);
/** " on channel 10": people count from 1, and the first is the usual one. */
export const onChannel = (channel: number): string => (channel === 0 ? "" : ` on channel ${channel + 1}`);

/** As hard as a hand strikes that means it (common practice). */
export const USUAL_VELOCITY = 96;

const noteSchema = z.strictObject({
  does: z.literal("note"),
  /** MIDI 1.0: 60 is the C in the middle of a keyboard. */
  note: whole(0, 127),
  /** How hard it is struck. */
  velocity: whole(1, 127),
  channel: channelSchema,
});
export type NoteBinding = z.infer<typeof noteSchema>;

/** A note that sounds for as long as its key is held. */
export const note: BindingKind<NoteBinding> = {
  does: "note",
  schema: noteSchema,
  action: ACTION.NOTE,
  decode: ({ modifiers, value }) => ({ does: "note", note: value & 0xff, velocity: value >> 8, channel: modifiers }),
  report: "music",
  phrase: ({ note: number, velocity, channel }) =>
    `note ${noteName(number)}${velocity === USUAL_VELOCITY ? "" : `, velocity ${velocity}`}${onChannel(channel)}`,
  encode: ({ note: number, velocity, channel }) => ({
    kind: ACTION.NOTE,
    modifiers: channel,
    value: number | (velocity << 8),
  }),
};
