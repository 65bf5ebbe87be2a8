import { hasUsb8Chip } from "../chips/usb8Classes";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { ScanTable } from "./scanTable";

/**
 * The encoders whose every edge the firmware is told by an interrupt, by encoder number. That is so on the 8-bit USB
 * classes, whose image and project do it, when both lines are on pads of their own that can interrupt; all others are
 * read once a scan.
 */
export function edgeEncoders(design: Design, { encoders, senseLines, access }: ScanTable): number[] {
  const derived = derive(design);
  const interrupts = derived.controllers.map(({ profile }) =>
    profile && hasUsb8Chip(profile.id) ? profile.pins.filter(({ interrupt }) => interrupt).map(({ name }) => name) : [],
  );
  const isHeard = (line: number) => {
    const net = senseLines[line];
    const nth = design.controllers.findIndex(({ id }) => id === derived.netById.get(net)?.controllerId);
    return !Object.hasOwn(access, net) && nth >= 0 && interrupts[nth].includes(design.pinPlan[net]?.pin ?? "");
  };
  return encoders.flatMap(({ lineA, lineB }, number) => (isHeard(lineA) && isHeard(lineB) ? [number] : []));
}
