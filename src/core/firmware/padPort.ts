import { NONE } from "../contract/contract";
import { PLUG } from "../contract/plug";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { FREE, LOW, type PadPortSettings, usualTimes } from "../hid/padPortSettings";
import type { ScanTable } from "./scanTable";

const USUAL_BITS = 8;

/** Pad ports that are wired; what is shifted goes to all of them. */
export const portsOf = (design: Design): string[] =>
  design.circuits
    .flatMap((circuit) => (circuit.kind === "pad-port" ? circuit.members : []))
    .filter((member) => derive(design).elements.has(member));

/** The first switches of a design in their order, keys before all others, where nobody said which. */
function usualPort(design: Design): PadPortSettings {
  const { elements, controls } = derive(design);
  const isKey = ({ controlId }: { controlId: string }) => controls.get(controlId)?.kind === "key";
  const all = [...elements.values()].filter(({ kind }) => kind === "switch");
  const switches = [...all.filter(isKey), ...all.filter((element) => !isKey(element))];
  const bits = Array.from({ length: USUAL_BITS }, (_, nth) => switches[nth]?.id ?? FREE);
  return { bits, ...usualTimes };
}

/** How a design's pad port is read, or null where none is wired. */
export const padPortOf = (design: Design): PadPortSettings | null =>
  portsOf(design).length > 0 ? (design.reportSet.padPort ?? usualPort(design)) : null;

/** Bits of the port: 0 where there is none. */
export const plugBits = (design: Design): number => padPortOf(design)?.bits.length ?? 0;

function bitByte({ switches }: ScanTable, bit: string): number {
  if (bit === LOW) return PLUG.LOW;
  const number = switches.indexOf(bit);
  return bit === FREE || number < 0 ? NONE : number;
}

/** The entry of a pad port, or nothing. */
export function plugTableBytes(scan: ScanTable, design: Design): number[] {
  const port = padPortOf(design);
  if (!port) return [];
  return [port.after === "high" ? 1 : 0, ...port.bits.map((bit) => bitByte(scan, bit))];
}
