import { MUSIC_USUAL } from "../contract/music";
import { type MusicEvent, musicEventWords, musicEventsOf } from "../hid/musicEvents";
import type { TimedReport } from "./device";

/** A note that is heard now. */
export interface SoundingNote {
  channel: number;
  note: number;
  velocity: number;
}

/** What a channel is set to. */
export interface MusicChannel {
  program: number;
  /** -8192 to 8191. */
  bend: number;
  /** Values of controllers that were told, by their number. */
  controllers: Record<number, number>;
}

/** What a computer that plays the device's notes knows. */
export interface MusicHeard {
  sounding: SoundingNote[];
  channels: Record<number, MusicChannel>;
  /** The last events in words, the newest last. */
  events: { atMs: number; words: string }[];
}

export const silence: MusicHeard = { sounding: [], channels: {}, events: [] };

const freshChannel: MusicChannel = { program: 0, bend: 0, controllers: {} };
const MOST_EVENTS = 100;

const without = (sounding: SoundingNote[], { channel, number }: MusicEvent) =>
  sounding.filter((one) => one.channel !== channel || one.note !== number);

function heardAfter(heard: MusicHeard, event: MusicEvent): MusicHeard {
  const { channel, what, number, value } = event;
  const before = heard.channels[channel] ?? freshChannel;
  const set = (change: Partial<MusicChannel>) => ({
    ...heard,
    channels: { ...heard.channels, [channel]: { ...before, ...change } },
  });
  if (what === "off") return { ...heard, sounding: without(heard.sounding, event) };
  if (what === "on")
    return { ...heard, sounding: [...without(heard.sounding, event), { channel, note: number, velocity: value }] };
  if (what === "program") return set({ program: number });
  if (what === "bend") return set({ bend: number });
  if (number === MUSIC_USUAL.ALL_OFF)
    return { ...heard, sounding: heard.sounding.filter((one) => one.channel !== channel) };
  return set({ controllers: { ...before.controllers, [number]: value } });
}

/** What is heard after a report of music. */
export function heardOf(heard: MusicHeard, { atMs, bytes }: Pick<TimedReport, "atMs" | "bytes">): MusicHeard {
  const events = musicEventsOf(bytes);
  const after = events.reduce(heardAfter, heard);
  const told = events.map((event) => ({ atMs, words: musicEventWords(event) }));
  return { ...after, events: [...heard.events, ...told].slice(-MOST_EVENTS) };
}
