import { shortestPath } from "./reported";
import type { ScanGraph } from "./scanGraph";

export interface GhostAnalysis {
  /** Any so many keys at once are told apart; null when any number is (n-key rollover). */
  rollover: number | null;
  /** Sets of three pressed keys that make a fourth appear, counted once for each key that appears. */
  triples: number;
  /** Keys that never appear as a ghost, whatever is pressed. */
  sure: string[];
  /** Keys that are not reported even when pressed alone. */
  dead: string[];
}

/** Bits of up to 32 lines. */
type Lines = number;

/**
 * Ghosts of a whole matrix in closed form. Three keys make a fourth appear when current runs forward through one,
 * back through the second and forward through the third: for each key that lets current back, the cells that lie on
 * the read lines of its driven line and on the driven lines of its read line are counted. Lines are bits of a word, so
 * a matrix of n keys takes about n · lines steps instead of n³ combinations.
 */
export function analyseGhosts(graph: ScanGraph): GhostAnalysis {
  const { keys, senses, drives } = graph;
  const sensesOfDrive: Lines[] = new Array<number>(drives).fill(0);
  const drivesOfSense: Lines[] = new Array<number>(senses).fill(0);
  const cellsOfSense: Lines[] = new Array<number>(senses).fill(0);
  for (const { sense, drive, forward } of keys) {
    cellsOfSense[sense] |= 1 << drive;
    if (!forward) continue;
    sensesOfDrive[drive] |= 1 << sense;
    drivesOfSense[sense] |= 1 << drive;
  }
  let triples = 0;
  for (const { sense, drive, backward } of keys) {
    if (!backward) continue;
    const starts = sensesOfDrive[drive] & ~(1 << sense);
    const ends = drivesOfSense[sense] & ~(1 << drive);
    for (let left = starts; left !== 0; left &= left - 1) {
      const start = 31 - Math.clz32(left & -left);
      triples += ones(cellsOfSense[start] & ends);
    }
  }
  return {
    rollover: rolloverOf(graph, triples),
    triples,
    sure: keys.filter((key) => shortestPath(keys, key) === null).map(({ id }) => id),
    dead: keys.filter(({ forward }) => !forward).map(({ id }) => id),
  };
}

function ones(word: number): number {
  let count = 0;
  for (let left = word; left !== 0; left &= left - 1) count += 1;
  return count;
}

/** A way over L keys makes a ghost of L pressed ones, so any L − 1 are sure; a way over three is the shortest there is. */
function rolloverOf({ keys }: ScanGraph, triples: number): number | null {
  if (triples > 0) return 2;
  let least = Infinity;
  for (const key of keys) least = Math.min(least, shortestPath(keys, key)?.length ?? Infinity);
  return least === Infinity ? null : least - 1;
}
