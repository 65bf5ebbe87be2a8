import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import type { ScanTable } from "./scanTable";

/** The net on which a line, a lamp or a voltage is reached: one of a pair, or the multiplexer's own, where it is no net itself. */
function netReached({ access }: ScanTable, id: string): string {
  const through = access[id];
  if (through?.by === "pair") return through.high;
  return through?.by === "voltage" ? through.data : id;
}

/**
 * Whether a line, a lamp or a voltage is reached by one of the device's parts. What hangs nowhere is everybody's, so that it is looked for.
 * @param part which of the design's controllers, from 0
 */
export function ownLines(design: Design, scan: ScanTable, part: number): (id: string) => boolean {
  const { netById } = derive(design);
  const controllerId = design.controllers[part]?.id ?? null;
  return (id) => {
    const owner = netById.get(netReached(scan, id))?.controllerId;
    return owner === undefined || owner === controllerId;
  };
}
