import type { Design } from "../document/schema";
import { isOnBus } from "../document/partLinks";
import { radioBytes } from "./packet";
import { isTold, notesHeard, takesLines } from "../hid/panelSettings";
import { hasSocket, playsMusic } from "./musicSocket";
import { plugBits } from "./padPort";
import type { ScanTable } from "./scanTable";

/** What the firmware can be compiled without (firmware/src/with.h). */
export const firmwareFeatures = [
  "lights",
  "live",
  "pointer",
  "axes",
  "pad",
  "panel",
  "music",
  "segments",
  "displays",
  "tone",
  "place",
  "radio",
  "plug",
  "din",
  "lines",
  "heard",
  "link",
  "bus",
] as const;
export type FirmwareFeature = (typeof firmwareFeatures)[number];

export const featureWords: Record<FirmwareFeature, string> = {
  lights: "addressable lights",
  live: "live changes",
  pointer: "the pointer",
  axes: "axes",
  pad: "the game pad",
  panel: "what the computer tells",
  music: "music",
  segments: "segment displays",
  displays: "displays",
  tone: "a sounder's tone",
  place: "places on the screen",
  radio: "a radio's packet",
  plug: "a serial pad port",
  din: "a music socket",
  lines: "lines over a serial port",
  heard: "notes that the computer plays to it",
  link: "a line between its parts",
  bus: "modules on a bus",
};

/** What of it a design wants. */
export function featuresOf(design: Design, scan: ScanTable): FirmwareFeature[] {
  const { reportSet } = design;
  const { chains, sensors, segmentChains, displays, tones } = scan;
  const wants: Record<FirmwareFeature, boolean> = {
    lights: chains.length > 0,
    live: reportSet.interfaces.includes("live"),
    pointer: reportSet.interfaces.includes("pointer"),
    axes: sensors.length > 0,
    pad: reportSet.interfaces.includes("pad"),
    panel: isTold(design),
    segments: segmentChains.length > 0,
    displays: displays.length > 0,
    tone: Object.keys(tones).length > 0,
    music: playsMusic(design),
    place: reportSet.interfaces.includes("place"),
    radio: radioBytes(scan, design) > 0,
    plug: plugBits(design) > 0,
    din: hasSocket(design),
    lines: takesLines(design),
    heard: notesHeard(design) !== undefined,
    link: scan.parts.length > 0,
    bus: isOnBus(design),
  };
  return firmwareFeatures.filter((feature) => wants[feature]);
}

/** What a compiler is told, so that firmware has these features and none of the others. */
export const withoutFlags = (features: readonly FirmwareFeature[]): string[] =>
  firmwareFeatures
    .filter((feature) => !features.includes(feature))
    .map((feature) => `-DOV_WITH_${feature.toUpperCase()}=0`);
