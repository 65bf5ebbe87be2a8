import { MUSIC_USUAL } from "../contract/music";
import { type MusicEvent, musicEventWords, musicEventsOf } from "../hid/musicEvents";
import type { TimedReport } from "./device";
import type { MusicChannel, MusicHeard, SoundingNote } from "./musicHeard";

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
export const heardOf = (heard: MusicHeard, { atMs, bytes }: Pick<TimedReport, "atMs" | "bytes">): MusicHeard =>
  heardWith(heard, atMs, musicEventsOf(bytes));

/** What is heard after these events. */
export function heardWith(heard: MusicHeard, atMs: number, events: MusicEvent[]): MusicHeard {
  const after = events.reduce(heardAfter, heard);
  const told = events.map((event) => ({ atMs, words: musicEventWords(event) }));
  return { ...after, events: [...heard.events, ...told].slice(-MOST_EVENTS) };
}
