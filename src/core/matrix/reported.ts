import type { ScanGraph, ScanKey } from "./scanGraph";

export interface Reported {
  /** Keys that the scan reports, pressed or not. */
  all: Set<string>;
  /** Reported though nobody presses them. */
  ghosts: string[];
  /** Pressed but not reported: their diode lets no current pass the right way. */
  missed: string[];
}

const push = (lists: number[][], at: number, value: number) => lists[at].push(value);

/**
 * What a scan reports while keys are pressed: with one line driven, every read line from which current finds a way to
 * it. Breadth first against the current, from each driven line in turn.
 */
export function reportedBy({ keys, senses, drives }: ScanGraph, pressed: ReadonlySet<string>): Reported {
  const intoDrive: number[][] = Array.from({ length: drives }, () => []);
  const intoSense: number[][] = Array.from({ length: senses }, () => []);
  for (const key of keys) {
    if (!pressed.has(key.id)) continue;
    if (key.forward) push(intoDrive, key.drive, key.sense);
    if (key.backward) push(intoSense, key.sense, key.drive);
  }
  const reach = Array.from({ length: drives }, (_, drive) => senseLinesReaching(drive, intoDrive, intoSense));
  const all = new Set(keys.filter(({ sense, drive }) => reach[drive].has(sense)).map(({ id }) => id));
  return {
    all,
    ghosts: [...all].filter((id) => !pressed.has(id)),
    missed: keys.filter(({ id }) => pressed.has(id) && !all.has(id)).map(({ id }) => id),
  };
}

function senseLinesReaching(start: number, intoDrive: number[][], intoSense: number[][]): Set<number> {
  const senses = new Set<number>();
  const drivesSeen = new Set([start]);
  const open = [start];
  for (let drive = open.pop(); drive !== undefined; drive = open.pop())
    for (const sense of intoDrive[drive]) {
      if (senses.has(sense)) continue;
      senses.add(sense);
      for (const next of intoSense[sense]) {
        if (drivesSeen.has(next)) continue;
        drivesSeen.add(next);
        open.push(next);
      }
    }
  return senses;
}

/** The keys of a ghost's way: the current runs forward through the first, back through the second, and so on. */
export interface GhostPath {
  appears: string;
  through: ScanKey[];
}

/** The shortest way by which pressed keys make an unpressed one appear, or null when none does. */
export function ghostPath(graph: ScanGraph, pressed: ReadonlySet<string>): GhostPath | null {
  const held = graph.keys.filter(({ id }) => pressed.has(id));
  let best: GhostPath | null = null;
  for (const key of graph.keys) {
    if (pressed.has(key.id)) continue;
    const through = shortestPath(held, key);
    if (through && (!best || through.length < best.through.length)) best = { appears: key.id, through };
  }
  return best;
}

/** The fewest keys by which current gets from a cell's read line to its driven line, without the cell's own key. */
export function shortestPath(keys: ScanKey[], { id, sense, drive }: Pick<ScanKey, "id" | "sense" | "drive">) {
  const cameBy = new Map<string, { key: ScanKey; from: string } | null>([[`s${sense}`, null]]);
  let layer = [`s${sense}`];
  while (layer.length > 0 && !cameBy.has(`d${drive}`)) {
    const next: string[] = [];
    for (const at of layer)
      for (const key of keys) {
        const to = stepOver(key, at);
        if (!to || key.id === id || cameBy.has(to)) continue;
        cameBy.set(to, { key, from: at });
        next.push(to);
      }
    layer = next;
  }
  return cameBy.has(`d${drive}`) ? trace(cameBy, `d${drive}`) : null;
}

function stepOver(key: ScanKey, at: string): string | null {
  if (key.forward && at === `s${key.sense}`) return `d${key.drive}`;
  return key.backward && at === `d${key.drive}` ? `s${key.sense}` : null;
}

function trace(cameBy: Map<string, { key: ScanKey; from: string } | null>, end: string): ScanKey[] {
  const keys: ScanKey[] = [];
  for (let step = cameBy.get(end); step; step = cameBy.get(step.from)) keys.unshift(step.key);
  return keys;
}
