/** A resistor between two nodes of a network, in ohm. */
export interface Branch {
  a: string;
  b: string;
  ohm: number;
}

/** Node voltages of a network of resistors whose given nodes are held and into whose others currents flow. */
export type Voltages = Map<string, number>;

const LEAST_OHM = 1e-6;

/** Conductances between the nodes that are not held, as one sparse row a node, and what hangs on held ones. */
interface System {
  nodes: string[];
  index: Map<string, number>;
  rows: Map<number, number>[];
  held: { row: number; node: string; siemens: number }[];
}

function assemble(branches: Branch[], held: Set<string>): System {
  const system: System = { nodes: [], index: new Map(), rows: [], held: [] };
  const at = (node: string) => {
    if (held.has(node)) return -1;
    const known = system.index.get(node);
    if (known !== undefined) return known;
    system.index.set(node, system.nodes.length);
    system.rows.push(new Map());
    return system.nodes.push(node) - 1;
  };
  const add = (row: number, column: number, value: number) =>
    system.rows[row].set(column, (system.rows[row].get(column) ?? 0) + value);
  const half = (from: number, to: number, other: string, siemens: number) => {
    if (from < 0) return;
    add(from, from, siemens);
    if (to < 0) system.held.push({ row: from, node: other, siemens });
    else add(from, to, -siemens);
  };
  for (const { a, b, ohm } of branches) {
    const siemens = 1 / Math.max(LEAST_OHM, ohm);
    const [from, to] = [at(a), at(b)];
    if (from === to) continue;
    half(from, to, b, siemens);
    half(to, from, a, siemens);
  }
  return system;
}

/** One node taken out of the system: what of its current goes to which row, and what its voltage follows from. */
interface Step {
  node: number;
  /** Zero where nothing held can be reached. */
  pivot: number;
  others: [row: number, value: number][];
}

/** Nodes by how many neighbours they have, so that the one with fewest is found at once. */
class ByDegree {
  private readonly sets: Set<number>[] = [];

  put(node: number, degree: number) {
    (this.sets[degree] ??= new Set()).add(node);
  }

  drop(node: number, degree: number) {
    this.sets[degree]?.delete(node);
  }

  fewest(): number | undefined {
    return this.sets
      .find((set) => set && set.size > 0)
      ?.values()
      .next().value;
  }
}

const NOTHING = 1e-9;

/** Takes the node with the fewest neighbours out, again and again: supply trees have no fill-in that way. */
function eliminate({ nodes, rows }: System): Step[] {
  const waiting = new ByDegree();
  const left = nodes.map(() => true);
  nodes.forEach((_, node) => waiting.put(node, rows[node].size));
  const steps: Step[] = [];
  for (let node = waiting.fewest(); node !== undefined; node = waiting.fewest()) {
    waiting.drop(node, rows[node].size);
    left[node] = false;
    const own = rows[node].get(node) ?? 0;
    const pivot = Math.abs(own) > NOTHING ? own : 0;
    const others = [...rows[node]].filter(([column]) => column !== node && left[column]);
    steps.push({ node, pivot, others });
    if (pivot === 0) continue;
    for (const [row, value] of others) {
      waiting.drop(row, rows[row].size);
      const factor = value / pivot;
      for (const [column, entry] of others) rows[row].set(column, (rows[row].get(column) ?? 0) - factor * entry);
      rows[row].delete(node);
      waiting.put(row, rows[row].size);
    }
  }
  return steps;
}

/** Solves one network again and again, with other voltages held and other currents flowing in. */
export type Solver = (held: Voltages, inflows: Map<string, number>) => Voltages;

/**
 * Kirchhoff's current law for every node that is not held: conductances times voltages are the currents that flow in.
 * The network is taken apart once; each solution then costs a pass over its branches.
 * @returns a solver: given voltages in V of the held nodes and currents in A into others (negative where a part takes
 *   one), it gives the voltages of all nodes that a current can reach from a held one
 */
export function networkSolver(branches: Branch[], heldNodes: string[]): Solver {
  const system = assemble(branches, new Set(heldNodes));
  const steps = eliminate(system);
  return (held, inflows) => {
    const currents = new Float64Array(system.nodes.length);
    for (const { row, node, siemens } of system.held) currents[row] += siemens * (held.get(node) ?? 0);
    for (const [node, ampere] of inflows) {
      const row = system.index.get(node);
      if (row !== undefined) currents[row] += ampere;
    }
    for (const { node, pivot, others } of steps)
      if (pivot !== 0) for (const [row, value] of others) currents[row] -= (value / pivot) * currents[node];
    return backwards(system, steps, currents, held);
  };
}

function backwards({ nodes }: System, steps: Step[], currents: Float64Array, held: Voltages): Voltages {
  const volts = new Float64Array(nodes.length).fill(NaN);
  const solved = new Map(held);
  for (let nth = steps.length - 1; nth >= 0; nth--) {
    const { node, pivot, others } = steps[nth];
    if (pivot === 0) continue;
    let sum = currents[node];
    for (const [column, value] of others) sum -= value * volts[column];
    volts[node] = sum / pivot;
    // What hangs on a node without a voltage has none either: not-a-number carries on.
    if (!Number.isNaN(volts[node])) solved.set(nodes[node], volts[node]);
  }
  return solved;
}

/** The same for a network that is solved once. */
export const solveNetwork = (branches: Branch[], held: Voltages, inflows: Map<string, number>): Voltages =>
  networkSolver(branches, [...held.keys()])(held, inflows);
