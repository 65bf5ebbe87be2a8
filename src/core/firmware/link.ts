import { LINK_KEPT, LINK_STATE } from "../contract/link";
import { PANEL } from "../contract/panel";
import { isOnBus } from "../document/partLinks";
import type { Design } from "../document/schema";
import { isTold } from "../hid/panelSettings";
import type { PartEnds, ScanTable } from "./scanTable";

/** Entries of the parts. */
export const partBytes = ({ parts }: ScanTable): number[] =>
  parts.flatMap(({ groups, switches, encoders, sensors }) => [groups, switches, encoders, sensors]);

/** What a part has of its own. */
export function ownOf({ parts }: Pick<ScanTable, "parts">, part: number): PartEnds {
  const before = parts[part - 1] ?? { groups: 0, switches: 0, encoders: 0, sensors: 0 };
  const end = parts[part];
  return {
    groups: end.groups - before.groups,
    switches: end.switches - before.switches,
    encoders: end.encoders - before.encoders,
    sensors: end.sensors - before.sensors,
  };
}

/** Bytes of a part's frame while the other one speaks with the computer, and while it does so itself; without what stands around them. */
export function linkBytesOf(scan: ScanTable, design: Design, part: number): { far: number; host: number } {
  const { switches, encoders, sensors } = ownOf(scan, part);
  const far = 1 + Math.ceil(switches / 8) + encoders + 2 * sensors;
  const panel = isTold(design) ? PANEL.BYTES : 0;
  const kept = design.reportSet.interfaces.includes("live") && !isOnBus(design) ? LINK_KEPT.BYTES : 0;
  return { far, host: far + LINK_STATE.BYTES + scan.encoders.length + panel + kept };
}

/** The longest frame of all; 0 where there is one part. */
export const linkMost = (scan: ScanTable, design: Design): number =>
  Math.max(0, ...scan.parts.map((_, part) => linkBytesOf(scan, design, part).host));
