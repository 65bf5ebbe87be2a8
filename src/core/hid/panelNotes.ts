import { MUSIC_STATUS, MUSIC_USUAL } from "../contract/music";
import { PANEL } from "../contract/panel";
import type { PanelLine } from "./panelLine";
import type { PanelSettings } from "./panelSettings";

/** On which channel, from which note and controller on. */
export type HeardNotes = NonNullable<PanelSettings["notes"]>;

const LOUD = 127;
const HIGHEST_NOTE = 127;

/** A controller has seven bits; the highest of them fills up what a value has more. */
export const valueOf = (to: number): number => (to << 1) | (to >> 6);
/** The nearest below that a controller can tell. */
export const controllerOf = (value: number): number => value >> 1;

/** Flags that have a note at all: from the first one's on there are no more than up to the highest. */
export const flagsHeard = ({ note }: HeardNotes): number => Math.min(PANEL.FLAGS, HIGHEST_NOTE - note + 1);

/** What a message tells a panel that hears these notes; nothing for any other message. @param message its status and values */
export function readPanelNote([status, first, second = 0]: readonly number[], heard: HeardNotes): PanelLine[] {
  if ((status & 0x0f) !== heard.channel) return [];
  const kind = status & 0xf0;
  if (kind === MUSIC_STATUS.CONTROL) {
    const nth = first - heard.controller;
    if (first === MUSIC_USUAL.ALL_OFF)
      return Array.from({ length: PANEL.FLAGS }, (_, at) => ({ of: "flags", nth: at, to: 0 }));
    return nth >= 0 && nth < PANEL.VALUES ? [{ of: "values", nth, to: valueOf(second) }] : [];
  }
  const nth = first - heard.note;
  if ((kind !== MUSIC_STATUS.ON && kind !== MUSIC_STATUS.OFF) || nth < 0 || nth >= PANEL.FLAGS) return [];
  return [{ of: "flags", nth, to: kind === MUSIC_STATUS.ON && second > 0 ? 1 : 0 }];
}

/** A message as bytes in hexadecimal, spaced or not; null for what is none of a channel. */
export function readMessage(text: string): number[] | null {
  const hex = text.replaceAll(" ", "");
  if (!/^([0-9a-f]{2}){2,3}$/i.test(hex)) return null;
  const bytes = (hex.match(/../g) ?? []).map((byte) => parseInt(byte, 16));
  const [status, ...values] = bytes;
  const isShort = (status & 0xe0) === MUSIC_STATUS.PROGRAM;
  const isOne = status >= MUSIC_STATUS.OFF && status < 0xf0 && values.every((value) => value < 0x80);
  return isOne && values.length === (isShort ? 1 : 2) ? bytes : null;
}

interface Told {
  flags: boolean[];
  values: number[];
}

/** The messages that make what was told before into what is told now. */
export function panelMessages(before: Told, now: Told, heard: HeardNotes): number[][] {
  const length = (of: "flags" | "values") => Math.max(before[of].length, now[of].length);
  const notes = Array.from({ length: Math.min(length("flags"), flagsHeard(heard)) }, (_, nth) => nth)
    .filter((nth) => (before.flags[nth] ?? false) !== (now.flags[nth] ?? false))
    .map((nth) => {
      const [status, velocity] = now.flags[nth]
        ? [MUSIC_STATUS.ON, LOUD]
        : [MUSIC_STATUS.OFF, MUSIC_USUAL.OFF_VELOCITY];
      return [status | heard.channel, heard.note + nth, velocity];
    });
  const controllers = Array.from({ length: length("values") }, (_, nth) => nth)
    .filter((nth) => controllerOf(before.values[nth] ?? 0) !== controllerOf(now.values[nth] ?? 0))
    .map((nth) => [MUSIC_STATUS.CONTROL | heard.channel, heard.controller + nth, controllerOf(now.values[nth] ?? 0)]);
  return [...notes, ...controllers];
}
