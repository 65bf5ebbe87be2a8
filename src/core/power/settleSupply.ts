import { GROUND, SUPPLY } from "../circuits/net";
import { type Solver, type Voltages, networkSolver } from "../electrics/network";
import type { Consumer, State } from "./consumers";
import type { Feed } from "./feeds";
import type { SourceLimits } from "./sources";
import type { SupplyNet } from "./supplyNets";

/** All that stays the same while voltages and currents are brought together. */
export interface World {
  state: State;
  consumers: Consumer[];
  nets: SupplyNet[];
  feeds: Feed[];
  source: SourceLimits;
  sourceV: number;
  seriesOhm: number;
  diodeV: number;
}

export interface Settled {
  entryV: number;
  volts: Map<string, Voltages>;
  parts: Map<string, { ma: number; volts: number }>;
  netMa: Map<string, number>;
}

const ROUNDS = 60;
const CLOSE_MA = 0.01;
/**
 * Part of the way that a new current goes towards what it would be. Most supplies settle in a few whole steps; where a
 * weak source swings, shorter ones bring it to rest.
 */
const WHOLE_STEPS = 6;
const STEP = 0.6;

/** What a net's root gives: what its parts take, and what it hands on to other nets. */
function rootCurrents(world: World, parts: Settled["parts"]): Map<string, number> {
  const own = new Map<string, number>();
  for (const { id, railId } of world.consumers) own.set(railId, (own.get(railId) ?? 0) + parts.get(id)!.ma);
  // The nets farthest from the source first.
  for (const { netId, from } of [...world.feeds].sort((a, b) => depth(world, b) - depth(world, a)))
    if (from.at === "end") own.set(from.netId, (own.get(from.netId) ?? 0) + (own.get(netId) ?? 0));
  return own;
}

function depth({ feeds }: World, { from }: Feed): number {
  if (from.at !== "end") return 0;
  const before = feeds.find(({ netId }) => netId === from.netId);
  return before ? 1 + depth({ feeds } as World, before) : 1;
}

const solvers = new WeakMap<SupplyNet, Solver>();

/** A net's copper is taken apart once, however often its loads change. */
function solverOf(supplied: SupplyNet): Solver {
  let solver = solvers.get(supplied);
  if (!solver) solvers.set(supplied, (solver = networkSolver(supplied.branches, [supplied.root])));
  return solver;
}

/** Voltages of every net with the currents as they are taken now. */
function voltagesWith(world: World, { parts }: Pick<Settled, "parts">): Omit<Settled, "parts"> {
  const netMa = rootCurrents(world, parts);
  const sourceMa = fromEntry(world, netMa);
  const entryV = Math.max(0, world.sourceV - world.diodeV - (sourceMa / 1000) * world.seriesOhm);
  const volts = new Map<string, Voltages>();
  const ground = world.nets.find(({ net }) => net.id === GROUND);
  const inflow = (end: "plus" | "minus", of: string | null) => {
    const flows = new Map<string, number>();
    for (const consumer of world.consumers) {
      const place = consumer[end];
      if (place === null || (of !== null && consumer.railId !== of)) continue;
      const sign = end === "plus" ? -1 : 1;
      flows.set(place, (flows.get(place) ?? 0) + (sign * parts.get(consumer.id)!.ma) / 1000);
    }
    return flows;
  };
  if (ground) volts.set(GROUND, solverOf(ground)(new Map([[ground.root, 0]]), inflow("minus", null)));
  for (const feed of [...world.feeds].sort((a, b) => depth(world, a) - depth(world, b))) {
    const supplied = world.nets.find(({ net }) => net.id === feed.netId)!;
    const flows = inflow("plus", feed.netId);
    for (const { netId, from } of world.feeds)
      if (from.at === "end" && from.netId === feed.netId)
        flows.set(from.end, (flows.get(from.end) ?? 0) - (netMa.get(netId) ?? 0) / 1000);
    const before = beforeFeed(feed, entryV, volts);
    volts.set(feed.netId, solverOf(supplied)(new Map([[supplied.root, feed.arrives(before)]]), flows));
  }
  return { entryV, volts, netMa };
}

/** An outside 5 V supply, at its own terminal. */
const OUTSIDE_V = 5;

export function beforeFeed({ from }: Feed, entryV: number, volts: Map<string, Voltages>): number {
  if (from.at === "entry") return entryV;
  if (from.at === "outside") return OUTSIDE_V;
  const net = volts.get(from.netId);
  return net?.get(from.end) ?? Math.max(0, ...(net?.values() ?? []));
}

/** What comes from the module's entry: the nets that hang on it, and what its own logic takes without a wire. */
export function fromEntry({ feeds }: World, netMa: Map<string, number>): number {
  const fed = new Set(feeds.filter(({ from }) => from.at === "entry").map(({ netId }) => netId));
  // Without a net of its own the logic's rail is inside the module.
  if (!feeds.some(({ netId }) => netId === SUPPLY)) fed.add(SUPPLY);
  return [...fed].reduce((sum, netId) => sum + (netMa.get(netId) ?? 0), 0);
}

/** Voltage between the two ends of a consumer; the module's own parts have what arrives there. */
function between({ plus, minus, railId }: Consumer, { entryV, volts }: Omit<Settled, "parts">): number {
  const rail = volts.get(railId);
  const high = (plus === null ? undefined : rail?.get(plus)) ?? Math.max(0, ...(rail?.values() ?? [entryV]));
  const low = (minus === null ? undefined : volts.get(GROUND)?.get(minus)) ?? 0;
  return Math.max(0, high - low);
}

/** Voltages and currents that agree with each other: no part changes by 0.01 mA any more. */
export function settle(world: World): Settled {
  let parts = new Map(
    world.consumers.map((consumer) => [consumer.id, { ma: consumer.ma(world.state, OUTSIDE_V), volts: OUTSIDE_V }]),
  );
  for (let round = 0; ; round++) {
    const found = voltagesWith(world, { parts });
    let change = 0;
    const next = new Map<string, { ma: number; volts: number }>();
    for (const consumer of world.consumers) {
      const volts = between(consumer, found);
      const before = parts.get(consumer.id)!.ma;
      const ma = before + (round < WHOLE_STEPS ? 1 : STEP) * (consumer.ma(world.state, volts) - before);
      change = Math.max(change, Math.abs(ma - before));
      next.set(consumer.id, { ma, volts });
    }
    parts = next;
    if (change < CLOSE_MA || round === ROUNDS) return { ...found, parts };
  }
}
