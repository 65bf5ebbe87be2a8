import type { Reason, Tool } from "./step";

/** What the order of steps depends on. */
export interface Ordered {
  id: string;
  /** The piece and how it lies: any two that differ cost one handling; null where it does not matter. */
  lies: string | null;
  /** Null where no tool is taken up: bare hands. */
  tool: Tool | null;
}

export interface Order {
  ids: string[];
  /** How often the piece in hand is turned or changed, and how often the tool. */
  turns: number;
  changes: number;
  cost: number;
  /** No order costs less than this. */
  bound: number;
  proof: "exact" | "bound";
}

/** Turning a piece over or taking another one takes about twice as long as taking another tool (from memory). */
export const TURN = 2;
export const CHANGE = 1;

interface State {
  done: bigint;
  lies: string | null;
  tool: Tool | null;
  turns: number;
  changes: number;
  order: number[];
}

const costOf = ({ turns, changes }: State) => TURN * turns + CHANGE * changes;

/** The reasons as masks: what each step waits for. */
function waitsFor(steps: Ordered[], reasons: Reason[]): bigint[] {
  const nth = new Map(steps.map(({ id }, index) => [id, index]));
  const masks = steps.map(() => 0n);
  for (const { before, after } of reasons) masks[nth.get(after)!] |= 1n << BigInt(nth.get(before)!);
  return masks;
}

/** What comes directly after each step, and all steps from the last to the first. */
interface Chains {
  next: number[][];
  backwards: number[];
}

function chainsOf(steps: Ordered[], reasons: Reason[]): Chains {
  const nth = new Map(steps.map(({ id }, index) => [id, index]));
  const next: number[][] = steps.map(() => []);
  const waiting = steps.map(() => 0);
  for (const { before, after } of reasons) {
    next[nth.get(before)!].push(nth.get(after)!);
    waiting[nth.get(after)!]++;
  }
  const order = waiting.flatMap((count, index) => (count === 0 ? [index] : []));
  for (const index of order) for (const after of next[index]) if (--waiting[after] === 0) order.push(after);
  return { next, backwards: order.reverse() };
}

/** How often a place or a tool must be come to at least: as often as a chain of steps, each after the one before, leaves it for another and comes back. */
class Returns {
  /** By step: when one is elsewhere before it, and when one is there. */
  private readonly elsewhere: number[] = [];
  private readonly there: number[] = [];

  constructor(
    private readonly wanted: string,
    wants: (string | null)[],
    { next, backwards }: Chains,
  ) {
    for (const nth of backwards) {
      const most = (isThere: boolean) =>
        Math.max(0, ...next[nth].map((after) => (isThere ? this.there : this.elsewhere)[after]));
      const own = wants[nth];
      this.there[nth] = own === null || own === wanted ? most(true) : most(false);
      this.elsewhere[nth] = own === null ? most(false) : own === wanted ? 1 + most(true) : most(false);
    }
  }

  most(ready: number[], now: string | null): number {
    const counts = now === this.wanted ? this.there : this.elsewhere;
    return Math.max(0, ...ready.map((nth) => counts[nth]));
  }
}

const returnsOf = (wants: (string | null)[], chains: Chains): Returns[] =>
  [...new Set(wants.filter((one) => one !== null))].map((one) => new Returns(one, wants, chains));

class Search {
  private readonly waits: bigint[];
  private readonly all: bigint;
  private readonly places: Returns[];
  private readonly takenUp: Returns[];

  constructor(
    private readonly steps: Ordered[],
    reasons: Reason[],
  ) {
    this.waits = waitsFor(steps, reasons);
    this.all = (1n << BigInt(steps.length)) - 1n;
    const chains = chainsOf(steps, reasons);
    this.places = returnsOf(
      steps.map(({ lies }) => lies),
      chains,
    );
    this.takenUp = returnsOf(
      steps.map(({ tool }) => tool),
      chains,
    );
  }

  isWhole = ({ done }: State) => done === this.all;

  private isDone = (done: bigint, nth: number) => (done >> BigInt(nth)) & 1n;

  private ready({ done }: State): number[] {
    return this.steps.flatMap((_, nth) => (!this.isDone(done, nth) && (this.waits[nth] & ~done) === 0n ? [nth] : []));
  }

  /**
   * Everything that costs nothing is done at once, in the order of the list. No order is better for waiting with it: moved to the front a step
   * costs nothing, and where it was taken out the way from its neighbour to its neighbour is no longer than through it.
   */
  settled(state: State): State {
    const settled = { ...state, order: [...state.order] };
    for (;;) {
      const free = this.ready(settled).filter((nth) => {
        const { lies, tool } = this.steps[nth];
        return (lies === null || lies === settled.lies) && (tool === null || tool === settled.tool);
      });
      if (free.length === 0) return settled;
      for (const nth of free) {
        settled.done |= 1n << BigInt(nth);
        settled.order.push(nth);
      }
    }
  }

  /** What can be turned to or taken up next, each once. */
  next(state: State): State[] {
    const seen = new Set<string>();
    return this.ready(state).flatMap((nth) => {
      const lies = this.steps[nth].lies ?? state.lies;
      const tool = this.steps[nth].tool ?? state.tool;
      const key = `${lies}\n${tool}`;
      if (seen.has(key)) return [];
      seen.add(key);
      return [
        this.settled({
          ...state,
          lies,
          tool,
          turns: state.turns + (lies !== state.lies && state.lies !== null ? 1 : 0),
          changes: state.changes + (tool !== state.tool && state.tool !== null ? 1 : 0),
        }),
      ];
    });
  }

  /** No way to the end costs less: every way of lying and every tool is come back to as often as some chain of reasons asks for it. */
  least(state: State): number {
    const ready = this.ready(state);
    const { lies, tool } = state;
    const turned = this.places.reduce((sum, returns) => sum + returns.most(ready, lies), 0);
    const taken = this.takenUp.reduce((sum, returns) => sum + returns.most(ready, tool), 0);
    // What lies first, and the first tool, cost nothing.
    const first = (count: number, now: string | null) => Math.max(0, count - (now === null ? 1 : 0));
    return TURN * first(turned, lies) + CHANGE * first(taken, tool);
  }

  key = ({ done, lies, tool }: State) => `${done.toString(36)} ${lies} ${tool}`;
}

/** States looked at before the best so far is finished step by step. */
const MOST_STATES = 20_000;

/** Open states by what they will cost at least; costs are small whole numbers. */
class Buckets {
  private readonly byCost: State[][] = [];
  private lowest = 0;

  add(state: State, cost: number): void {
    (this.byCost[cost] ??= []).push(state);
    this.lowest = Math.min(this.lowest, cost);
  }

  /** The last that was added of the cheapest: deep states first. */
  take(): { state: State; cost: number } | null {
    for (; this.lowest < this.byCost.length; this.lowest++) {
      const state = this.byCost[this.lowest]?.pop();
      if (state) return { state, cost: this.lowest };
    }
    return null;
  }
}

const told = (state: State, steps: Ordered[], bound: number, proof: Order["proof"]): Order => ({
  ids: state.order.map((nth) => steps[nth].id),
  turns: state.turns,
  changes: state.changes,
  cost: costOf(state),
  bound,
  proof,
});

/** From a state to the end, always to what costs least at once. */
function finished(search: Search, from: State): State {
  let state = from;
  while (!search.isWhole(state))
    state = search.next(state).reduce((a, b) => (costOf(b) + search.least(b) < costOf(a) + search.least(a) ? b : a));
  return state;
}

/**
 * The order that obeys all reasons with the least turning over and changing of tools (A*, P. E. Hart, N. J. Nilsson and B. Raphael, 1968). Exact, or after
 * `most` states the best known with a bound.
 * @param reasons without circles, between these steps
 */
export function orderSteps(steps: Ordered[], reasons: Reason[], most = MOST_STATES): Order {
  const search = new Search(steps, reasons);
  const open = new Buckets();
  const best = new Map<string, number>();
  const start = search.settled({ done: 0n, lies: null, tool: null, turns: 0, changes: 0, order: [] });
  open.add(start, search.least(start));
  for (let looked = 0; ; looked++) {
    const { state, cost } = open.take()!;
    if (search.isWhole(state)) return told(state, steps, costOf(state), "exact");
    if (looked === most) return told(finished(search, state), steps, cost, "bound");
    // The last that is added is looked at first: so what stands first in the list comes first where nothing else decides.
    for (const next of search.next(state).reverse()) {
      const key = search.key(next);
      const known = best.get(key);
      if (known !== undefined && known <= costOf(next)) continue;
      best.set(key, costOf(next));
      open.add(next, costOf(next) + search.least(next));
    }
  }
}
