/** A resistor between two nodes of a network, in ohm. */
export interface Branch {
  a: string;
  b: string;
  ohm: number;
}

/** Node voltages of a network of resistors whose given nodes are held and into whose others currents flow. */
export type Voltages = Map<string, number>;

const LEAST_OHM = 1e-6;

/** Conductances as one sparse row a node, the held nodes first, and what hangs on those. */
interface System {
  nodes: string[];
  index: Map<string, number>;
  rows: Map<number, number>[];
  held: { row: number; to: number; siemens: number }[];
}

function assemble(branches: Branch[], heldNodes: string[]): System {
  const system: System = { nodes: [], index: new Map(), rows: [], held: [] };
  const at = (node: string) => {
    const known = system.index.get(node);
    if (known !== undefined) return known;
    system.index.set(node, system.nodes.length);
    system.rows.push(new Map());
    return system.nodes.push(node) - 1;
  };
  heldNodes.forEach(at);
  const isHeld = (node: number) => node < heldNodes.length;
  const add = (row: number, column: number, value: number) =>
    system.rows[row].set(column, (system.rows[row].get(column) ?? 0) + value);
  const half = (row: number, to: number, siemens: number) => {
    if (isHeld(row)) return;
    add(row, row, siemens);
    if (isHeld(to)) system.held.push({ row, to, siemens });
    else add(row, to, -siemens);
  };
  for (const { a, b, ohm } of branches) {
    const siemens = 1 / Math.max(LEAST_OHM, ohm);
    const [from, to] = [at(a), at(b)];
    if (from === to) continue;
    half(from, to, siemens);
    half(to, from, siemens);
  }
  return system;
}

/**
 * The nodes in the order in which they were taken out, each with what its voltage follows from: its own conductance and
 * those to the nodes that were still there, one after another in arrays that a pass runs through.
 */
interface Steps {
  nodes: number[];
  pivots: number[];
  /** Where a step's entries begin; one more at the end. */
  starts: number[];
  columns: number[];
  values: number[];
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
    for (const set of this.sets) if (set && set.size > 0) return set.values().next().value;
    return undefined;
  }
}

const NOTHING = 1e-9;

/** Takes the node with the fewest neighbours out, again and again: supply trees have no fill-in that way. */
function eliminate({ nodes, rows }: System, heldCount: number): Steps {
  const waiting = new ByDegree();
  for (let node = heldCount; node < nodes.length; node++) waiting.put(node, rows[node].size);
  const steps: Steps = { nodes: [], pivots: [], starts: [0], columns: [], values: [] };
  for (let node = waiting.fewest(); node !== undefined; node = waiting.fewest()) {
    waiting.drop(node, rows[node].size);
    const pivot = rows[node].get(node) ?? 0;
    rows[node].delete(node);
    const others = [...rows[node]];
    // Nothing holds it: it has no voltage, and nothing follows from it.
    const isHeld = Math.abs(pivot) > NOTHING;
    if (isHeld) keep(steps, node, pivot, others);
    for (const [row, value] of others) {
      waiting.drop(row, rows[row].size);
      if (isHeld)
        for (const [column, entry] of others)
          rows[row].set(column, (rows[row].get(column) ?? 0) - (value / pivot) * entry);
      rows[row].delete(node);
      waiting.put(row, rows[row].size);
    }
  }
  return steps;
}

function keep({ nodes, pivots, starts, columns, values }: Steps, node: number, pivot: number, others: number[][]) {
  nodes.push(node);
  pivots.push(pivot);
  for (const [column, value] of others) {
    columns.push(column);
    values.push(value);
  }
  starts.push(columns.length);
}

/** A network taken apart once, to be solved with other voltages and currents again and again. */
export interface Network {
  /** All nodes, the held ones first. */
  nodes: string[];
  index: Map<string, number>;
  /**
   * Writes the voltage of every node, in V; not-a-number where no current can reach it from a held one.
   * @param heldV by held node; @param inflowA by node, in A, negative where a part takes current
   */
  solve(heldV: ArrayLike<number>, inflowA: Float64Array, volts: Float64Array): void;
}

/** Takes a network apart; each solution then costs a pass over its branches. */
export function takeApart(branches: Branch[], heldNodes: string[]): Network {
  const system = assemble(branches, heldNodes);
  const { nodes, pivots, starts, columns, values } = eliminate(system, heldNodes.length);
  const currents = new Float64Array(system.nodes.length);
  return {
    nodes: system.nodes,
    index: system.index,
    solve(heldV, inflowA, volts) {
      currents.set(inflowA);
      for (const { row, to, siemens } of system.held) currents[row] += siemens * heldV[to];
      for (let nth = 0; nth < nodes.length; nth++)
        for (let entry = starts[nth]; entry < starts[nth + 1]; entry++)
          currents[columns[entry]] -= (values[entry] / pivots[nth]) * currents[nodes[nth]];
      volts.fill(NaN);
      volts.set(heldV);
      for (let nth = nodes.length - 1; nth >= 0; nth--) {
        let sum = currents[nodes[nth]];
        // What hangs on a node without a voltage has none either: not-a-number carries on.
        for (let entry = starts[nth]; entry < starts[nth + 1]; entry++) sum -= values[entry] * volts[columns[entry]];
        volts[nodes[nth]] = sum / pivots[nth];
      }
    },
  };
}

/** What was found, by the names of the nodes that have a voltage. */
export const byNode = ({ nodes }: Network, volts: Float64Array): Voltages =>
  new Map(nodes.flatMap((node, nth) => (Number.isNaN(volts[nth]) ? [] : [[node, volts[nth]] as const])));

/**
 * Kirchhoff's current law for every node that is not held: conductances times voltages are the currents that flow in.
 * @param held voltages in V; @param inflows currents in A into other nodes, negative where a part takes one
 * @returns the voltages of all nodes that a current can reach from a held one
 */
export function solveNetwork(branches: Branch[], held: Voltages, inflows: Map<string, number>): Voltages {
  const network = takeApart(branches, [...held.keys()]);
  const inflowA = new Float64Array(network.nodes.length);
  for (const [node, ampere] of inflows) {
    const at = network.index.get(node);
    if (at !== undefined) inflowA[at] += ampere;
  }
  const volts = new Float64Array(network.nodes.length);
  network.solve([...held.values()], inflowA, volts);
  return byNode(network, volts);
}
