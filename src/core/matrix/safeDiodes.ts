import { ghostPath } from "./reported";
import type { ScanGraph } from "./scanGraph";

/** With diodes at some keys, pointing the right way. */
const fitted = (graph: ScanGraph, diodes: ReadonlySet<string>): ScanGraph => ({
  ...graph,
  keys: graph.keys.map((key) => (diodes.has(key.id) ? { ...key, forward: true, backward: false } : key)),
});

/** The backward keys of some ghost that a chord still makes: one of them needs a diode. Null when all chords are safe. */
function brokenBy(graph: ScanGraph, chords: ReadonlySet<string>[]): string[] | null {
  for (const chord of chords) {
    const way = ghostPath(graph, chord);
    if (way) return way.through.filter((_, nth) => nth % 2 === 1).map(({ id }) => id);
  }
  return null;
}

/** Whether `left` more diodes can do, depth first: each way must be cut at one of its backward keys. */
function search(
  graph: ScanGraph,
  chords: ReadonlySet<string>[],
  diodes: Set<string>,
  left: number,
): Set<string> | null {
  const candidates = brokenBy(fitted(graph, diodes), chords);
  if (!candidates) return diodes;
  if (left === 0) return null;
  for (const id of candidates) {
    const found = search(graph, chords, new Set([...diodes, id]), left - 1);
    if (found) return found;
  }
  return null;
}

/**
 * The fewest switches that need a diode (beside those that have one) so that none of the chords makes a ghost. Exact:
 * tried with none, one, two … diodes; every ghost's way must be cut at a key it runs backwards through, so only those
 * are tried.
 * @param most gives up beyond so many and answers with the diodes of every chord's keys
 */
export function diodesForChords(graph: ScanGraph, chords: string[][], most = 12): string[] {
  const sets = chords.map((chord) => new Set(chord));
  for (let count = 0; count <= most; count++) {
    const found = search(graph, sets, new Set(), count);
    if (found) return [...found];
  }
  const backward = new Set(graph.keys.filter((key) => key.backward).map(({ id }) => id));
  return [...new Set(chords.flat())].filter((id) => backward.has(id));
}
