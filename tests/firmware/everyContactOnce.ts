import type { Design } from "@/core/document/schema";
import { scanTableOf } from "@/core/firmware/scanTable";

/** A script in which every contact of a design closes once, so many in the same millisecond. */
export function everyContactOnce(design: Design, atOnce: number): string {
  const { strobeLines, senseLines, groups } = scanTableOf(design);
  const places = groups.flatMap(({ strobe, bank, cells }) =>
    cells.flatMap((cell, bit) => (cell === null ? [] : [{ strobe, bank, bit }])),
  );
  const lines: string[] = [];
  for (let from = 0, atMs = 20; from < places.length; from += atOnce, atMs += 40) {
    const words = new Map<string, number>();
    for (const { strobe, bank, bit } of places.slice(from, from + atOnce)) {
      const key = `${strobe ?? "-"} ${bank}`;
      words.set(key, (words.get(key) ?? 0xffff) & ~(1 << bit));
    }
    for (const [key, word] of words) lines.push(`${atMs} sense ${key} ${word.toString(16)}`);
    for (const key of words.keys()) lines.push(`${atMs + 20} sense ${key} ffff`);
  }
  if (strobeLines.length + senseLines.length === 0) throw new Error("the design has nothing to read");
  return [...lines, `${60 + places.length * 40} end`, ""].join("\n");
}
