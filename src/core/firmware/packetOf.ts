import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type PacketSettings, usualPacket } from "../hid/packetSettings";

/** Radios that are wired; the packet goes to the first one. */
export const radiosOf = (design: Design): string[] =>
  design.circuits
    .flatMap((circuit) => (circuit.kind === "spi-radio" ? circuit.members : []))
    .filter((member) => derive(design).elements.has(member));

/** How a design's radio packs what it sends, or null where no radio is wired. */
export const packetOf = (design: Design): PacketSettings | null =>
  radiosOf(design).length > 0 ? (design.reportSet.packet ?? usualPacket) : null;
