import type { Together } from "./solvePins";

/** Whether every row of a list finds a column of its own among its allowed ones (Kuhn's augmenting paths, 1955). */
export function matches(allowed: number[][], columns: number): boolean {
  if (allowed.length > columns) return false;
  const holder = new Int32Array(columns).fill(-1);
  const place = (row: number, seen: Uint8Array): boolean => {
    for (const column of allowed[row]) {
      if (seen[column]) continue;
      seen[column] = 1;
      if (holder[column] < 0 || place(holder[column], seen)) {
        holder[column] = row;
        return true;
      }
    }
    return false;
  };
  return allowed.every((_, row) => place(row, new Uint8Array(columns)));
}

/** What a search with a budget can say. */
export type Fits = "yes" | "no" | "unknown";

const MOST_NODES = 2000;

interface Search {
  groups: Together[];
  base: number[][];
  pins: number;
  nodes: number;
}

/** Groups of one sort need options of their own: whether the open ones still find some that nobody has taken. */
function optionsLeft({ groups }: Search, from: number, taken: Set<string>): boolean {
  const open = groups.slice(from);
  const keys = [...new Set(open.flatMap(({ sort, options }) => options.map(({ key }) => `${sort} ${key}`)))];
  const at = new Map(keys.map((key, nth) => [key, nth]));
  const free = open.map(({ sort, options }) =>
    options.map(({ key }) => `${sort} ${key}`).flatMap((key) => (taken.has(key) ? [] : [at.get(key)!])),
  );
  return matches(free, keys.length);
}

function look(search: Search, group: number, allowed: number[][], taken: Set<string>): Fits {
  if (search.nodes++ >= MOST_NODES) return "unknown";
  // With the open groups loose it is easier, so what fails here fails in every way of choosing them.
  if (!matches(allowed, search.pins) || !optionsLeft(search, group, taken)) return "no";
  if (group === search.groups.length) return "yes";
  const { nets, options, sort } = search.groups[group];
  let answer: Fits = "no";
  for (const option of options) {
    const key = `${sort} ${option.key}`;
    if (taken.has(key)) continue;
    const next = allowed.slice();
    nets.forEach((net, nth) => (next[net] = search.base[net].filter((pin) => option.pins[nth].includes(pin))));
    const found = look(search, group + 1, next, new Set([...taken, key]));
    if (found === "yes") return found;
    if (found === "unknown") answer = found;
  }
  return answer;
}

/**
 * Whether every net finds a pin of its own when groups follow one option each, no two of a sort the same. A branch ends
 * where the rest, left loose, fails already; after 2,000 nodes the answer is "unknown".
 */
export const groupsFit = (base: number[][], groups: Together[], pins: number): Fits =>
  look({ groups, base, pins, nodes: 0 }, 0, base, new Set());
