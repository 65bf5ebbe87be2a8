import { LINK } from "../contract/link";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { linkBytesOf } from "./link";
import { scanTableOf } from "./scanTable";

/**
 * By how much a press of the far part is told later than one of the part that speaks with the computer, in ms: the bits of its frame, and up to a
 * scan more until the other one looks. Nothing where there is one part.
 */
export function linkTimes(design: Design): { least: number; most: number } {
  return derive(design).once("link times", () => {
    const scan = scanTableOf(design);
    if (scan.parts.length < 2) return { least: 0, most: 0 };
    const bytes = Math.max(...scan.parts.map((_, part) => linkBytesOf(scan, design, part).far));
    const least = (bytes + LINK.AROUND) / LINK.BYTES_A_MS;
    return { least, most: least + 1 };
  });
}
