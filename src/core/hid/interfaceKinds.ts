import { REPORTS, type ReportName } from "../contract/contract";

/** The reports of the device contract, each on an interface of its own (music on two). What they are stands in interfaces.ts. */
export const interfaceKinds = Object.keys(REPORTS) as [ReportName, ...ReportName[]];
export type InterfaceKind = ReportName;

/** What people call an interface, and what the bytes of its input report are, first byte first. */
export const interfaceFaces: Record<InterfaceKind, { title: string; reportBytes: string[] }> = {
  keyboard: {
    title: "Keyboard, boot layout",
    reportBytes: ["modifiers", "reserved", "key 1", "key 2", "key 3", "key 4", "key 5", "key 6"],
  },
  consumer: { title: "Consumer control", reportBytes: ["usage, low byte", "usage, high byte"] },
  live: { title: "Live changes", reportBytes: [] },
  pointer: {
    title: "Pointer",
    reportBytes: ["buttons", "to the right", "down", "wheel up", "wheel to the right"],
  },
  system: { title: "System control", reportBytes: ["power down, sleep, wake up"] },
  /** What its bytes are depends on the design (padWords). */
  pad: { title: "Game pad", reportBytes: ["buttons, hat, axes"] },
  place: {
    title: "Place on the screen",
    reportBytes: ["a button, never down", "across, low byte", "across, high byte", "down, low byte", "down, high byte"],
  },
  panel: { title: "Panel that the computer tells", reportBytes: [] },
  /** As many packets as there are events. */
  music: { title: "Music (MIDI)", reportBytes: ["kind of event", "status", "first value", "second value"] },
};

/** Those of the HID class: all but music. */
export type HidKind = Exclude<InterfaceKind, "music">;
export const isHid = (kind: InterfaceKind): kind is HidKind => kind !== "music";

/** Interfaces in the order of their numbers: music has two, so it stands last and each but its second has an endpoint. */
export const inOrder = (kinds: readonly InterfaceKind[]): InterfaceKind[] => [
  ...kinds.filter(isHid),
  ...kinds.filter((kind) => !isHid(kind)),
];
