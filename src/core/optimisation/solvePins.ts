import { assignLeastCost } from "./assignment";

/** Cost of a place that cannot serve; above it nothing is a plan. */
export const IMPOSSIBLE = 1e13;
/** Cost of a net that stays without a pin. */
export const NO_PIN = 1e11;

/** Nets that must be met together in one of several options: each option lists, net by net, the pins it allows. */
export interface Together {
  nets: number[];
  options: { key: string; pins: number[][] }[];
  /** Groups of the same sort may not take the same option, as two buses cannot share one bus controller. */
  sort: string;
  /** What is done when it follows no option: its nets stay without pins, or they stand apart, which costs so much. */
  otherwise: "unplaced" | { apart: number };
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
/** Steps of the assignment method in all: bounds the time of large classes with many buses. */
const MOST_STEPS = 1.5e9;

/** Nodes that may be looked at: one costs about nets² · pins steps. */
const mostNodes = ({ costs, pins }: PinProblem): number =>
  Math.max(40, Math.min(MOST_NODES, Math.floor(MOST_STEPS / (costs.length ** 2 * Math.max(1, pins) + 1))));

/** The chosen option of each group so far: -1 while open, the number of options when it follows none. */
type Choice = number[];

function restricted({ costs, together, pins }: PinProblem, choice: Choice): number[][] {
  const table = costs.slice();
  together.forEach(({ nets, options, otherwise }, group) => {
    const option = options[choice[group]];
    if (choice[group] < 0 || (!option && otherwise !== "unplaced")) return;
    nets.forEach((net, nth) => {
      const row = new Array<number>(pins).fill(IMPOSSIBLE);
      for (const pin of option?.pins[nth] ?? []) row[pin] = costs[net][pin];
      table[net] = row;
    });
  });
  return table;
}

/** What groups that stand apart cost. */
const apartCost = ({ together }: PinProblem, choice: Choice): number =>
  together.reduce(
    (sum, { options, otherwise }, group) =>
      choice[group] === options.length && otherwise !== "unplaced" ? sum + otherwise.apart : sum,
    0,
  );

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

/** Which option of a group a plan happens to follow, every net of it with its pin; or -1. */
function optionMet({ nets, options }: Together, pinOf: number[]): number {
  return options.findIndex(({ pins }) => nets.every((net, nth) => pins[nth].includes(pinOf[net])));
}

/** The options that a plan follows, kept apart within a sort; null when some group follows none. */
function choiceMet({ together }: PinProblem, { pinOf, choice: chosen }: Node): Choice | null {
  const taken = new Set<string>();
  const choice: Choice = [];
  for (const [nth, group] of together.entries()) {
    if (chosen[nth] === group.options.length) {
      choice.push(chosen[nth]);
      continue;
    }
    const option = optionMet(group, pinOf);
    if (option < 0) return null;
    const key = `${group.sort} ${group.options[option].key}`;
    if (taken.has(key)) return null;
    taken.add(key);
    choice.push(option);
  }
  return choice;
}

const isTaken = ({ together }: PinProblem, choice: Choice, group: number, option: number) =>
  together.some(
    (other, nth) =>
      nth !== group &&
      choice[nth] >= 0 &&
      choice[nth] < other.options.length &&
      other.sort === together[group].sort &&
      other.options[choice[nth]].key === together[group].options[option].key,
  );

interface Node {
  choice: Choice;
  pinOf: number[];
  cost: number;
}

/** The open group that the plan at hand breaks first, else the first open one; -1 when all are chosen. */
function nextGroup(problem: PinProblem, { choice, pinOf }: Node): number {
  const open = choice.flatMap((option, group) => (option < 0 ? [group] : []));
  return open.find((group) => optionMet(problem.together[group], pinOf) < 0) ?? open[0] ?? -1;
}

/**
 * The exact least-cost plan: an assignment (solved by Kuhn and Munkres' method) with groups of nets that must be met
 * in one of several options, or in none of them at a price, by branch and bound. A node fixes some groups' options; the
 * assignment with the other groups left loose is its bound, and a plan when it happens to keep them. Stopped after a
 * budget of nodes, it tells the gap.
 */
export function solvePins(problem: PinProblem): PinSolution {
  const { pins, together } = problem;
  const solved = (choice: Choice): Node => {
    const { pinOf, cost } = leastCost(restricted(problem, choice), pins);
    return { choice, pinOf, cost: cost + apartCost(problem, choice) };
  };
  const open: Node[] = [solved(together.map(() => -1))];
  const most = mostNodes(problem);
  let best: Node | null = null;
  let nodes = 1;
  while (open.length > 0) {
    const node = open.pop()!;
    if (best && node.cost >= best.cost - 1e-9) continue;
    const group = nextGroup(problem, node);
    if (group < 0 || choiceMet(problem, node)) {
      best = node;
      continue;
    }
    // The first branch down is always gone to its end, so that there is a plan.
    if (nodes >= most && best) {
      open.push(node);
      break;
    }
    const { options } = together[group];
    const children = [...options.keys(), options.length]
      .filter((option) => option === options.length || !isTaken(problem, node.choice, group, option))
      .map((option) => solved(node.choice.map((w, nth) => (nth === group ? option : w))));
    nodes += children.length;
    // The most promising child is looked at first, so that it is pushed last.
    open.push(...children.sort((a, b) => b.cost - a.cost));
  }
  const found = best!;
  const bound = Math.min(found.cost, ...open.map(({ cost }) => cost));
  return { pinOf: found.pinOf, cost: found.cost, bound, isProven: bound >= found.cost - 1e-6, nodes };
}
