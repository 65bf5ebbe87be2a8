import { create } from "zustand";
import type { TimedReport } from "@/core/engine/device";
import type { LanguageId } from "@/core/languages/ids";
import type { HostDeed } from "@/core/engine/hostText";
import { type MusicHeard, silence } from "@/core/engine/musicHeard";
import { GOOD_LINE, type LineTrouble } from "@/core/engine/lineTrouble";
import type { SeenOfParts } from "@/core/engine/pairedDevice";
import type { Air, RadioHeard } from "@/core/engine/radioLink";
import type { SocketHeard } from "@/core/engine/socketHeard";
import { type Pointing, stillPointer } from "@/core/hid/pointerWords";

/** A line on the running strip that changes between two states. */
export interface Change {
  atMs: number;
  id: string;
  on: boolean;
}

export interface PartsLine extends SeenOfParts {
  trouble: LineTrouble;
  plugged: number | null;
  /** Modules that are pulled off, by their numbers from 1. */
  away: number[];
}

export interface SessionState {
  running: boolean;
  /** What the device that was powered last sees: whether it has inputs, and whose voltages it reads. */
  seen: { hasInputs: boolean; sensors: string[] };
  /** Why the device cannot be tried, or null. */
  refusal: string | null;
  nowMs: number;
  text: string;
  deeds: HostDeed[];
  pointing: Pointing;
  /** What the computer hears of a device that plays music. */
  heard: MusicHeard;
  /** What a radio's receiver makes of its packets; null before the first. */
  radio: RadioHeard | null;
  /** What hangs on a socket for music has heard; null before the first byte. */
  socket: SocketHeard | null;
  /** What a console read of the pad port last: the level of each bit, and of what follows; null before it has. */
  plug: boolean[] | null;
  reports: TimedReport[];
  contacts: Change[];
  debounced: Change[];
  layers: Change[];
  /** Elements whose contact is held by the person, and control ids of lit lamps. */
  held: string[];
  lit: string[];
  /** Colours of lights that are not dark, by control id. */
  glows: Record<string, string>;
  /** What each digit of a segment display shows, from the left, by control id. */
  digits: Record<string, number[]>;
  /** Lit dots of displays as a path, by control id. */
  glasses: Record<string, string>;
  /** Where wipers were moved to, by element: -1 to 1 from where they rest. */
  places: Record<string, number>;
  /** Steps that knobs were turned by since the device has power, by element: clockwise above nothing. */
  turned: Record<string, number>;
  /** What the computer tells the panel now. */
  told: { flags: boolean[]; values: number[] };
  activeLayers: number[];
  /** Of a device of two parts: what happens to the line between them, in which the computer's plug is, and whether they hear each other. */
  line: PartsLine;
  /** The computer sleeps. */
  asleep: boolean;
  bounce: boolean;
  /** Readings of voltages scatter. */
  noisy: boolean;
  /** What the air does to a radio's packets. */
  air: Air;
  withoutDiodes: boolean;
  /** The keyboard language of the computer, where it is not the design's. */
  language: LanguageId | null;
}

export const emptySession = {
  nowMs: 0,
  text: "",
  deeds: [],
  pointing: stillPointer,
  heard: silence,
  radio: null,
  socket: null,
  plug: null,
  reports: [],
  contacts: [],
  debounced: [],
  layers: [],
  held: [],
  lit: [],
  glows: {},
  digits: {},
  glasses: {},
  places: {},
  turned: {},
  told: { flags: [], values: [] },
  activeLayers: [0],
  asleep: false,
  line: { trouble: GOOD_LINE, plugged: 0, away: [], isHeard: true, heard: [], missed: 0, together: 0 } as PartsLine,
};

/** The device under the person's hands, running in real time. */
export const useSession = create<SessionState>(() => ({
  ...emptySession,
  running: false,
  seen: { hasInputs: true, sensors: [] },
  refusal: null,
  bounce: false,
  noisy: false,
  air: { spoiltIn: 0, lostIn: 0 },
  withoutDiodes: false,
  language: null,
}));
