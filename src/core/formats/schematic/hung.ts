import { type Branch, turned } from "./links";

/** Nets by the colour they get when the two ends of every branch are to differ; null when that cannot be. */
function twoColours(branches: Branch[]): Map<string, 0 | 1>[] | null {
  const ends = branches.flatMap(({ from, to }) => (from === null || to === null ? [] : [[from, to] as const]));
  const beside = new Map<string, string[]>();
  for (const [a, b] of ends) {
    beside.set(a, [...(beside.get(a) ?? []), b]);
    beside.set(b, [...(beside.get(b) ?? []), a]);
  }
  const seen = new Set<string>();
  const all: Map<string, 0 | 1>[] = [];
  for (const start of beside.keys()) {
    if (seen.has(start)) continue;
    const colours = new Map<string, 0 | 1>([[start, 0]]);
    const queue = [start];
    for (const net of queue)
      for (const other of beside.get(net)!) {
        const colour = colours.get(net) === 0 ? 1 : 0;
        if (colours.get(other) === colours.get(net)) return null;
        if (!colours.has(other)) queue.push(other);
        colours.set(other, colour);
      }
    for (const net of queue) seen.add(net);
    all.push(colours);
  }
  return all;
}

/** Of rows and columns the fewer: the nets that branches hang on so that all lines run the same way. */
function trunkNets(branches: Branch[]): Set<string> | null {
  const parts = twoColours(branches);
  if (!parts) return null;
  const fewer = parts.map((colours) => {
    const [zero, one] = [0, 1].map((colour) => [...colours].filter(([, own]) => own === colour).map(([net]) => net));
    return one.length < zero.length ? one : zero;
  });
  return new Set(fewer.flat());
}

/**
 * Each branch from the net that it hangs on: in a matrix all on rows or all on columns, and otherwise on the net that
 * more of its neighbours hang on.
 */
export function hung(branches: Branch[]): Branch[] {
  const trunks = trunkNets(branches);
  if (trunks) return branches.map((one) => (one.to !== null && trunks.has(one.to) ? turned(one) : one));
  const counts = new Map<string, number>();
  const count = (net: string | null) => (net === null ? 0 : (counts.get(net) ?? 0));
  for (const net of branches.flatMap(({ from, to }) => [from, to])) if (net !== null) counts.set(net, count(net) + 1);
  return branches.map((one) => (count(one.to) > count(one.from) ? turned(one) : one));
}
