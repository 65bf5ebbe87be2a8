import { LINK, LINK_BUS, moduleTimes } from "../contract/link";
import { derive } from "../derived/derive";
import { isOnBus } from "../document/partLinks";
import type { Design } from "../document/schema";
import { linkBytesOf } from "./link";
import { scanTableOf } from "./scanTable";

/**
 * Of a scan's millisecond, what the bus is busy when the main part tells all modules and asks the one with the longest frame, in ms; with addresses
 * and what stands around a frame. 0 where there are no modules.
 */
export function busyBusMs(design: Design): number {
  const scan = scanTableOf(design);
  if (!isOnBus(design) || scan.parts.length < 2) return 0;
  const [main, ...modules] = scan.parts.map((_, part) => linkBytesOf(scan, design, part));
  const bytes = main.host + Math.max(...modules.map(({ far }) => far)) + 2 * (1 + LINK.AROUND);
  return (1000 * bytes * LINK_BUS.CLOCKS_A_BYTE) / LINK_BUS.BITS_A_SECOND;
}

/**
 * By how much a press of the far part is told later than one of the part that speaks with the computer, in ms: the bits of its frame, and up to a
 * scan more until the other one looks. Nothing where there is one part.
 */
export function linkTimes(design: Design): { least: number; most: number } {
  return derive(design).once("link times", () => {
    const scan = scanTableOf(design);
    if (scan.parts.length < 2) return { least: 0, most: 0 };
    if (isOnBus(design)) return moduleTimes(scan.parts.length - 1, design.partLinks![0].calls === "shared");
    const bytes = Math.max(...scan.parts.map((_, part) => linkBytesOf(scan, design, part).far));
    const least = (bytes + LINK.AROUND) / LINK.BYTES_A_MS;
    return { least, most: least + 1 };
  });
}
