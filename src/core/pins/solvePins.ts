import { assignLeastCost } from "./assignment";

/** Cost of a place that cannot serve; above it nothing is a plan. */
export const IMPOSSIBLE = 1e13;
/** Cost of a net that stays without a pin. */
export const NO_PIN = 1e11;

/** Nets that must be met together in one of several ways: each way lists, net by net, the pins it allows. */
export interface Together {
  nets: number[];
  ways: { key: string; pins: number[][] }[];
  /** Groups of the same sort may not take the same way, as two buses cannot share one bus controller. */
  sort: string;
}

export interface PinProblem {
  /** By net and pin; IMPOSSIBLE where the pin cannot serve the net. */
  costs: number[][];
  pins: number;
  together: Together[];
}

export interface PinSolution {
  /** Pin of each net, or -1. */
  pinOf: number[];
  cost: number;
  /** No plan costs less than this. */
  bound: number;
  isProven: boolean;
  /** Restricted problems that were solved on the way. */
  nodes: number;
}

const MOST_NODES = 4000;

/** The chosen way of each group so far; -1 while open. */
type Choice = number[];

function restricted({ costs, together, pins }: PinProblem, choice: Choice): number[][] {
  const table = costs.slice();
  together.forEach(({ nets, ways }, group) => {
    if (choice[group] < 0) return;
    nets.forEach((net, nth) => {
      const row = new Array<number>(pins).fill(IMPOSSIBLE);
      for (const pin of ways[choice[group]].pins[nth]) row[pin] = costs[net][pin];
      table[net] = row;
    });
  });
  return table;
}

/** The least cost of a table by itself; nets that find no pin are counted at NO_PIN. */
function leastCost(table: number[][], pins: number): { pinOf: number[]; cost: number } {
  if (table.length <= pins) {
    const pinOf = assignLeastCost(table);
    const cost = sumOf(table, pinOf);
    if (cost < IMPOSSIBLE) return { pinOf, cost };
  }
  // One stand-in column a net means "no pin", so that an assignment always exists.
  const withNone = table.map((row) => [...row, ...table.map(() => NO_PIN)]);
  const pinOf = assignLeastCost(withNone).map((column) => (column < pins ? column : -1));
  return { pinOf, cost: sumOf(table, pinOf) };
}

const sumOf = (table: number[][], pinOf: number[]) =>
  pinOf.reduce((sum, pin, net) => sum + (pin < 0 ? NO_PIN : table[net][pin]), 0);

/** Which way of a group a plan happens to follow, or -1. */
function wayMet({ nets, ways }: Together, pinOf: number[]): number {
  return ways.findIndex(({ pins }) => nets.every((net, nth) => pinOf[net] < 0 || pins[nth].includes(pinOf[net])));
}

/** The ways that a plan follows, kept apart within a sort; null when some group follows none. */
function choiceMet({ together }: PinProblem, pinOf: number[]): Choice | null {
  const taken = new Set<string>();
  const choice: Choice = [];
  for (const group of together) {
    const way = wayMet(group, pinOf);
    if (way < 0) return null;
    const key = `${group.sort} ${group.ways[way].key}`;
    if (taken.has(key)) return null;
    taken.add(key);
    choice.push(way);
  }
  return choice;
}

const isTaken = ({ together }: PinProblem, choice: Choice, group: number, way: number) =>
  together.some(
    (other, nth) =>
      nth !== group &&
      choice[nth] >= 0 &&
      other.sort === together[group].sort &&
      other.ways[choice[nth]].key === together[group].ways[way].key,
  );

interface Node {
  choice: Choice;
  pinOf: number[];
  cost: number;
}

/** The open group that the plan at hand breaks first, else the first open one; -1 when all are chosen. */
function nextGroup(problem: PinProblem, { choice, pinOf }: Node): number {
  const open = choice.flatMap((way, group) => (way < 0 ? [group] : []));
  return open.find((group) => wayMet(problem.together[group], pinOf) < 0) ?? open[0] ?? -1;
}

/**
 * The exact least-cost plan: an assignment (solved by Kuhn and Munkres' method) with groups of nets that must be met
 * in one of several ways, by branch and bound. A node fixes some groups' ways; the assignment with the other groups
 * left loose is its bound, and a plan when it happens to keep them. Stopped after 4000 nodes, it tells the gap.
 */
export function solvePins(problem: PinProblem): PinSolution {
  const { pins, together } = problem;
  const solved = (choice: Choice): Node => ({ choice, ...leastCost(restricted(problem, choice), pins) });
  const open: Node[] = [solved(together.map(() => -1))];
  let best: { pinOf: number[]; cost: number } | null = null;
  let nodes = 1;
  while (open.length > 0) {
    const node = open.pop()!;
    if (best && node.cost >= best.cost - 1e-9) continue;
    const group = nextGroup(problem, node);
    if (group < 0 || choiceMet(problem, node.pinOf)) {
      best = node;
      continue;
    }
    if (nodes >= MOST_NODES) {
      open.push(node);
      break;
    }
    const children = together[group].ways
      .map((_, way) => way)
      .filter((way) => !isTaken(problem, node.choice, group, way))
      .map((way) => solved(node.choice.map((w, nth) => (nth === group ? way : w))));
    nodes += children.length;
    // The most promising child is looked at first, so that it is pushed last.
    open.push(...children.sort((a, b) => b.cost - a.cost));
  }
  if (!best) return unmet(problem, solved(together.map(() => -1)), nodes);
  const bound = Math.min(best.cost, ...open.map(({ cost }) => cost));
  return { pinOf: best.pinOf, cost: best.cost, bound, isProven: bound >= best.cost - 1e-6, nodes };
}

/** Groups that cannot be kept beside the ones before them stay without pins, so that what is placed is right. */
function unmet(problem: PinProblem, node: Node, nodes: number): PinSolution {
  const taken = new Set<string>();
  const lost = new Set<number>();
  for (const group of problem.together) {
    const way = wayMet(group, node.pinOf);
    const key = `${group.sort} ${group.ways[way]?.key}`;
    if (way < 0 || taken.has(key)) group.nets.forEach((net) => lost.add(net));
    else taken.add(key);
  }
  const pinOf = node.pinOf.map((pin, net) => (lost.has(net) ? -1 : pin));
  return { pinOf, cost: sumOf(problem.costs, pinOf), bound: node.cost, isProven: true, nodes };
}
