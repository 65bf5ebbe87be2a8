import { type InterfaceKind, inOrder } from "./interfaceKinds";

/** What a computer lists for each interface among its devices; null where people see nothing of it (common practice). */
const LISTED: Record<InterfaceKind, string | null> = {
  keyboard: "keyboard",
  consumer: "media keys, listed as a keyboard",
  system: "power keys, listed as a keyboard",
  pointer: "mouse",
  place: "mouse that is put to places",
  pad: "game controller",
  music: "sound device, a MIDI port in and one out",
  panel: null,
  live: null,
};

interface Declaring {
  reportSet: { interfaces: readonly InterfaceKind[] };
}

/** As what a computer lists the device, one for each interface that people see. */
export const hostKinds = ({ reportSet: { interfaces } }: Declaring): string[] =>
  inOrder(interfaces).flatMap((kind) => LISTED[kind] ?? []);

/** Interfaces that only a program of one's own speaks with. */
export const unlistedKinds = ({ reportSet: { interfaces } }: Declaring): number =>
  interfaces.filter((kind) => LISTED[kind] === null).length;
