import { MUSIC, MUSIC_STATUS, MUSIC_USUAL } from "../contract/music";
import { controllerName, noteName } from "./musicWords";

/** One channel message of MIDI 1.0; channels count from 0. */
export interface MusicEvent {
  channel: number;
  what: "on" | "off" | "controller" | "program" | "bend";
  /** Note, controller, program; of a bend -8192 to 8191. */
  number: number;
  /** Velocity, or the controller's value; 0 where there is none. */
  value: number;
}

const REST = 8192;
const CHANNEL = 0x0f;

/** An event from its status and values; null for what the device never sends. */
export function musicEventOf([status, first, second]: readonly number[]): MusicEvent | null {
  const channel = status & CHANNEL;
  switch (status & ~CHANNEL) {
    // A note on of velocity 0 is a note off (MIDI 1.0, table II).
    case MUSIC_STATUS.ON:
      return { channel, what: second > 0 ? "on" : "off", number: first, value: second };
    case MUSIC_STATUS.OFF:
      return { channel, what: "off", number: first, value: second };
    case MUSIC_STATUS.CONTROL:
      return { channel, what: "controller", number: first, value: second };
    case MUSIC_STATUS.PROGRAM:
      return { channel, what: "program", number: first, value: 0 };
    case MUSIC_STATUS.BEND:
      return { channel, what: "bend", number: (first | (second << 7)) - REST, value: 0 };
    default:
      return null;
  }
}

/** The events of a report: packets of four bytes, the first of which tells their kind. */
export const musicEventsOf = (bytes: Uint8Array): MusicEvent[] =>
  Array.from({ length: Math.floor(bytes.length / MUSIC.PACKET_BYTES) }, (_, nth) =>
    musicEventOf([...bytes.subarray(nth * MUSIC.PACKET_BYTES + 1, (nth + 1) * MUSIC.PACKET_BYTES)]),
  ).filter((event) => event !== null);

/** "C4 on, velocity 96, channel 1" */
export function musicEventWords({ channel, what, number, value }: MusicEvent): string {
  const on = `channel ${channel + 1}`;
  if (what === "on") return `${noteName(number)} on, velocity ${value}, ${on}`;
  if (what === "off") return `${noteName(number)} off, ${on}`;
  if (what === "program") return `program ${number + 1}, ${on}`;
  if (what === "bend") return `pitch ${number > 0 ? "+" : ""}${number}, ${on}`;
  if (number === MUSIC_USUAL.ALL_OFF) return `all notes off, ${on}`;
  return `${controllerName(number)} at ${value}, ${on}`;
}
