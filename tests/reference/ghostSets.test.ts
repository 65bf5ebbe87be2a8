import { describe, expect, it } from "vitest";
import { matrix } from "@/core/circuits/matrix";
import { randomFrom } from "@/core/optimisation/random";
import { analyseGhosts } from "@/core/matrix/ghostAnalysis";
import { reportedBy } from "@/core/matrix/reported";
import { diodesForChords } from "@/core/matrix/safeDiodes";
import { type ScanGraph, scanGraphOf } from "@/core/matrix/scanGraph";

// Source: brute force. Currents are followed by a closure over all lines (Warshall 1962), sets of keys are all tried.

const random = randomFrom(7);

/** A random board, not every cell filled, with diodes missing and reversed by chance. */
function randomGraph(rows: number, columns: number, fill: number, missing: number, reversed: number): ScanGraph {
  const circuit = matrix.fresh("matrix", "M") as ReturnType<typeof matrix.fresh>;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      if (random() >= fill) continue;
      const id = `${row}${column}`;
      circuit.cells[id] = { row, column };
      if (random() < missing) circuit.withoutDiode.push(id);
      else if (random() < reversed) circuit.reversed.push(id);
    }
  return scanGraphOf(circuit);
}

/** What is reported, by closure: line numbers are reads first, then drives; nothing is shared with the product. */
function closure({ keys, senses, drives }: ScanGraph, pressed: Set<string>): Set<string> {
  const n = senses + drives;
  const flows = Array.from({ length: n }, (_, i) => Array.from({ length: n }, (_, j) => i === j));
  for (const { id, sense, drive, forward, backward } of keys) {
    if (!pressed.has(id)) continue;
    if (forward) flows[sense][senses + drive] = true;
    if (backward) flows[senses + drive][sense] = true;
  }
  for (let k = 0; k < n; k++)
    for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) if (flows[i][k] && flows[k][j]) flows[i][j] = true;
  return new Set(keys.filter(({ sense, drive }) => flows[sense][senses + drive]).map(({ id }) => id));
}

function* subsets<T>(items: T[], size: number, from = 0): Generator<T[]> {
  if (size === 0) return yield [];
  for (let i = from; i <= items.length - size; i++)
    for (const rest of subsets(items, size - 1, i + 1)) yield [items[i], ...rest];
}

const ghostsIn = (graph: ScanGraph, pressed: string[]) =>
  [...closure(graph, new Set(pressed))].filter((id) => !pressed.includes(id));

const BOARDS: [fill: number, missing: number, reversed: number][] = [
  [1, 1, 0],
  [0.7, 1, 0],
  [0.8, 0.4, 0],
  [0.8, 0.3, 0.3],
  [0.5, 0.6, 0.1],
];

describe.each(BOARDS)("random boards: %d filled, %d without diode, %d reversed", (fill, missing, reversed) => {
  const boards = Array.from({ length: 12 }, () =>
    randomGraph(2 + Math.floor(random() * 3), 3, fill, missing, reversed),
  );

  it("report what the closure says, for any keys pressed", () => {
    for (const graph of boards)
      for (let round = 0; round < 25; round++) {
        const pressed = new Set(graph.keys.filter(() => random() < 0.5).map(({ id }) => id));
        expect([...reportedBy(graph, pressed).all].sort()).toEqual([...closure(graph, pressed)].sort());
      }
  });

  it("have as many ghost triples, and the rollover, that trying all sets of keys finds", () => {
    for (const graph of boards) {
      const ids = graph.keys.map(({ id }) => id);
      const { triples, rollover } = analyseGhosts(graph);
      let counted = 0;
      // A key that works against its own line is counted where three keys make it appear and fewer do not.
      for (const three of subsets(ids, 3)) {
        const byTwo = new Set([...subsets(three, 2)].flatMap((two) => ghostsIn(graph, two)));
        counted += ghostsIn(graph, three).filter((id) => !byTwo.has(id)).length;
      }
      expect(triples).toBe(counted);
      let safe = 0;
      while (safe < ids.length && [...subsets(ids, safe + 1)].every((set) => ghostsIn(graph, set).length === 0))
        safe += 1;
      expect(rollover ?? ids.length).toBe(safe);
    }
  });
});

describe("the fewest diodes for a set of chords", () => {
  it("are as few as trying every set of keys finds, and make the chords safe", () => {
    for (let round = 0; round < 25; round++) {
      const graph = randomGraph(3, 3, 0.9, 1, 0);
      const ids = graph.keys.map(({ id }) => id);
      const chords = Array.from({ length: 2 }, () => ids.filter(() => random() < 0.55)).filter((c) => c.length > 1);
      const withDiodes = (diodes: string[]): ScanGraph => ({
        ...graph,
        keys: graph.keys.map((key) => (diodes.includes(key.id) ? { ...key, backward: false } : key)),
      });
      const isSafe = (diodes: string[]) => chords.every((chord) => ghostsIn(withDiodes(diodes), chord).length === 0);
      let least = 0;
      while (![...subsets(ids, least)].some(isSafe)) least += 1;
      const found = diodesForChords(graph, chords);
      expect(isSafe(found)).toBe(true);
      expect(found).toHaveLength(least);
    }
  });
});
