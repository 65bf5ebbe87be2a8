import { isOnBus } from "../document/partLinks";
import type { Design } from "../document/schema";
import { ownLines } from "./ownLines";
import type { ScanTable } from "./scanTable";

/** A device as one of its parts scans it: lines keep their numbers, and what is reached through other parts is theirs. */
export interface PartScan extends ScanTable {
  /** Whether a line, a lamp or a voltage is reached by this part. */
  isOwn: (id: string) => boolean;
  /** Parts are a base and its modules. */
  isOnBus: boolean;
}

/**
 * What one part of a device scans; all of it where the device has one.
 * @param part which of the design's controllers, from 0
 */
export function partScan(design: Design, scan: ScanTable, part = 0): PartScan {
  const isOwn = ownLines(design, scan, part);
  const own = <T>(all: readonly T[], of: "groups" | "encoders"): T[] =>
    scan.parts.length === 0 ? [...all] : all.slice(scan.parts[part - 1]?.[of] ?? 0, scan.parts[part][of]);
  return {
    ...scan,
    isOwn,
    isOnBus: isOnBus(design),
    access: Object.fromEntries(Object.entries(scan.access).filter(([netId]) => isOwn(netId))),
    ladders: scan.ladders.filter(({ line }) => isOwn(line)),
    groups: own(scan.groups, "groups"),
    encoders: own(scan.encoders, "encoders"),
  };
}
