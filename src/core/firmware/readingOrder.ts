import type { LineAccess } from "../circuits/lineAccess";

/** What a line shares with the others of its chain, set or bus, and which of its bits it is; null of all others. */
function placeOf(access: LineAccess | undefined): { set: string; bit: number } | null {
  if (access?.by === "in-register") return { set: `1 ${access.clock}`, bit: access.bit };
  if (access?.by === "channel") return { set: `2 ${access.select.join(" ")}`, bit: 16 * access.chip + access.channel };
  if (access?.by === "expander") return { set: `3 ${access.scl} ${access.sda}`, bit: 16 * access.address + access.bit };
  return null;
}

/**
 * Sense lines in the order in which they are best read: those of registers, multiplexers and expanders first, each chain
 * bit by bit, as they lie in memory once they are caught, so that a bank of them is read as two bytes; then all others as
 * they come.
 */
export function readingOrder(lines: string[], access: Record<string, LineAccess>): string[] {
  const sets = new Map<string, { line: string; bit: number }[]>();
  const others: string[] = [];
  for (const line of lines) {
    const place = Object.hasOwn(access, line) ? placeOf(access[line]) : null;
    if (place) sets.set(place.set, [...(sets.get(place.set) ?? []), { line, bit: place.bit }]);
    else others.push(line);
  }
  const remote = [...sets.values()].flatMap((set) => set.sort((a, b) => a.bit - b.bit));
  return [...remote.map(({ line }) => line), ...others];
}
