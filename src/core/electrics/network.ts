/** A resistor between two nodes of a network, in ohm. */
export interface Branch {
  a: string;
  b: string;
  ohm: number;
}

/** Node voltages of a network of resistors whose given nodes are held and into whose others currents flow. */
export type Voltages = Map<string, number>;

const LEAST_OHM = 1e-6;

/** Conductances between the nodes that are not held, as one sparse row a node. */
interface System {
  nodes: string[];
  rows: Map<number, number>[];
  currents: number[];
}

function assemble(branches: Branch[], held: Voltages, inflows: Map<string, number>): System {
  const index = new Map<string, number>();
  const nodes: string[] = [];
  const at = (node: string) => {
    if (held.has(node)) return -1;
    const known = index.get(node);
    if (known !== undefined) return known;
    index.set(node, nodes.length);
    return nodes.push(node) - 1;
  };
  const rows: Map<number, number>[] = [];
  const currents: number[] = [];
  const add = (row: number, column: number, value: number) => {
    rows[row] ??= new Map();
    rows[row].set(column, (rows[row].get(column) ?? 0) + value);
  };
  const half = (from: number, to: number, other: string, siemens: number) => {
    if (from < 0) return;
    add(from, from, siemens);
    if (to < 0) currents[from] = (currents[from] ?? 0) + siemens * held.get(other)!;
    else add(from, to, -siemens);
  };
  for (const { a, b, ohm } of branches) {
    const siemens = 1 / Math.max(LEAST_OHM, ohm);
    const [from, to] = [at(a), at(b)];
    if (from === to) continue;
    half(from, to, b, siemens);
    half(to, from, a, siemens);
  }
  for (const [node, ampere] of inflows) {
    const row = index.get(node);
    if (row !== undefined) currents[row] = (currents[row] ?? 0) + ampere;
  }
  return { nodes, rows, currents: nodes.map((_, nth) => currents[nth] ?? 0) };
}

/**
 * Takes the node with the fewest neighbours out, again and again: supply trees have no fill-in that way.
 * What hangs on nothing that is held has no voltage.
 */
function eliminate({ nodes, rows, currents }: System): (number | null)[] {
  const order: number[] = [];
  const left = new Set(nodes.map((_, nth) => nth));
  const byDegree: Set<number>[] = [];
  const degree = (nth: number) => rows[nth].size;
  const put = (nth: number) => (byDegree[degree(nth)] ??= new Set()).add(nth);
  const drop = (nth: number) => byDegree[degree(nth)]?.delete(nth);
  left.forEach(put);
  const fewest = () =>
    byDegree
      .find((set) => set && set.size > 0)!
      .values()
      .next().value!;
  while (left.size > 0) {
    const nth = fewest();
    drop(nth);
    left.delete(nth);
    order.push(nth);
    const pivot = rows[nth].get(nth)!;
    const others = [...rows[nth]].filter(([column]) => column !== nth && left.has(column));
    if (Math.abs(pivot) < 1e-12) continue;
    for (const [row, value] of others) {
      drop(row);
      const factor = value / pivot;
      for (const [column, entry] of others) rows[row].set(column, (rows[row].get(column) ?? 0) - factor * entry);
      rows[row].delete(nth);
      currents[row] -= factor * currents[nth];
      put(row);
    }
  }
  return backwards(order, rows, currents);
}

function backwards(order: number[], rows: Map<number, number>[], currents: number[]): (number | null)[] {
  const volts: (number | null)[] = [];
  for (const nth of order.reverse()) {
    const pivot = rows[nth].get(nth)!;
    let sum = currents[nth];
    let isKnown = Math.abs(pivot) > 1e-9;
    for (const [column, value] of rows[nth]) {
      if (column === nth) continue;
      const other = volts[column];
      if (other === null || other === undefined) isKnown = false;
      else sum -= value * other;
    }
    volts[nth] = isKnown ? sum / pivot : null;
  }
  return volts;
}

/**
 * Kirchhoff's current law for every node that is not held: conductances times voltages are the currents that flow in.
 * @param held voltages in V of the nodes that a source holds
 * @param inflows currents in A into nodes; negative where a part takes one
 * @returns voltages in V of all nodes that a current can reach from a held one
 */
export function solveNetwork(branches: Branch[], held: Voltages, inflows: Map<string, number>): Voltages {
  const system = assemble(branches, held, inflows);
  const volts = eliminate(system);
  const solved = new Map(held);
  system.nodes.forEach((node, nth) => {
    const value = volts[nth];
    if (value !== null && value !== undefined) solved.set(node, value);
  });
  return solved;
}
