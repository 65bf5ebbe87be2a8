import { type InterfaceKind, inOrder } from "./interfaceKinds";
import { type PanelSettings, notesHeard, takesLines } from "./panelSettings";

/** What a computer lists for each interface among its devices; null where people see nothing of it (common practice). */
const LISTED: Record<InterfaceKind, string | null> = {
  keyboard: "keyboard",
  consumer: "media keys, listed as a keyboard",
  system: "power keys, listed as a keyboard",
  pointer: "mouse",
  place: "mouse that is put to places",
  pad: "game controller",
  music: "sound device, a MIDI port that it plays on",
  panel: null,
  live: null,
};

const BOTH_WAYS = "sound device, a MIDI port that it plays on and one that it listens to";

interface Declaring {
  reportSet: { interfaces: readonly InterfaceKind[]; panel?: PanelSettings | undefined };
}

/** As what a computer lists the device, one for each interface that people see, and the port that takes lines. */
export const hostKinds = (design: Declaring): string[] => [
  ...inOrder(design.reportSet.interfaces).flatMap((kind) =>
    kind === "music" && notesHeard(design) ? BOTH_WAYS : (LISTED[kind] ?? []),
  ),
  ...(takesLines(design) ? ["serial port"] : []),
];

/** Interfaces that only a program of one's own speaks with. */
export const unlistedKinds = ({ reportSet: { interfaces } }: Declaring): number =>
  interfaces.filter((kind) => LISTED[kind] === null).length;
