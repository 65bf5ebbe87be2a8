import { GROUND, SUPPLY } from "../circuits/net";
import { type Network, type Voltages, byNode, takeApart } from "../electrics/network";
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

const networks = new WeakMap<SupplyNet, Network>();

/** A net's copper is taken apart once, however often its loads change. */
function networkOf(supplied: SupplyNet): Network {
  let network = networks.get(supplied);
  if (!network) networks.set(supplied, (network = takeApart(supplied.branches, [supplied.root])));
  return network;
}

/** A net in numbers: its copper, what flows into each of its nodes, and the voltages found last. */
interface Copper {
  network: Network;
  inflowA: Float64Array;
  volts: Float64Array;
}

/** A rail, and where others hang on it. */
interface Rail extends Copper {
  feed: Feed;
  handsOn: { node: number; netId: string }[];
  /** The highest voltage found last: what the module's own parts have of it. */
  mostV: number;
}

/** Where a part's two ends are: nodes of its rail and of ground, -1 inside the module or where no wire leads. */
interface Hung {
  rail: Rail | null;
  plus: number;
  minus: number;
}

interface Bench {
  ground: Copper | null;
  /** The nets nearest to the source first. */
  rails: Rail[];
  hung: Hung[];
}

function copperOf(supplied: SupplyNet): Copper {
  const network = networkOf(supplied);
  const room = () => new Float64Array(network.nodes.length);
  return { network, inflowA: room(), volts: room() };
}

const nodeOf = (copper: Copper | null, end: string | null): number => copper?.network.index.get(end ?? "") ?? -1;

/** Everything that is looked up by name, looked up once. */
function benchOf(world: World): Bench {
  const netById = new Map(world.nets.map((supplied) => [supplied.net.id, supplied]));
  const groundNet = netById.get(GROUND);
  const ground = groundNet ? copperOf(groundNet) : null;
  const rails = [...world.feeds]
    .sort((a, b) => depth(world, a) - depth(world, b))
    .map((feed): Rail => ({ ...copperOf(netById.get(feed.netId)!), feed, handsOn: [], mostV: 0 }));
  const railById = new Map(rails.map((rail) => [rail.feed.netId, rail]));
  for (const { netId, from } of world.feeds) {
    const before = from.at === "end" ? railById.get(from.netId) : undefined;
    if (from.at === "end" && before) before.handsOn.push({ node: nodeOf(before, from.end), netId });
  }
  const hung = world.consumers.map(({ plus, minus, railId }) => {
    const rail = railById.get(railId) ?? null;
    return { rail, plus: nodeOf(rail, plus), minus: nodeOf(ground, minus) };
  });
  return { ground, rails, hung };
}

/** What a net's root gives: what its parts take, and what it hands on to other nets. */
function rootCurrents({ consumers }: World, { rails }: Bench, ma: Float64Array): Map<string, number> {
  const own = new Map<string, number>();
  consumers.forEach(({ railId }, nth) => own.set(railId, (own.get(railId) ?? 0) + ma[nth]));
  // The nets farthest from the source first.
  for (const { feed } of [...rails].reverse())
    if (feed.from.at === "end") own.set(feed.from.netId, (own.get(feed.from.netId) ?? 0) + (own.get(feed.netId) ?? 0));
  return own;
}

function depth({ feeds }: World, { from }: Feed): number {
  if (from.at !== "end") return 0;
  const before = feeds.find(({ netId }) => netId === from.netId);
  return before ? 1 + depth({ feeds } as World, before) : 1;
}

/** Currents of all parts into the nodes at which they hang. */
function loadCopper({ ground, rails, hung }: Bench, ma: Float64Array) {
  for (const { inflowA } of ground ? [ground, ...rails] : rails) inflowA.fill(0);
  hung.forEach(({ rail, plus, minus }, nth) => {
    if (rail && plus >= 0) rail.inflowA[plus] -= ma[nth] / 1000;
    if (ground && minus >= 0) ground.inflowA[minus] += ma[nth] / 1000;
  });
}

/** Voltages of every net with the currents as they are taken now, left in its copper. */
function findVoltages(world: World, bench: Bench, ma: Float64Array): { entryV: number; netMa: Map<string, number> } {
  const netMa = rootCurrents(world, bench, ma);
  const sourceMa = fromEntry(world, netMa);
  const entryV = Math.max(0, world.sourceV - world.diodeV - (sourceMa / 1000) * world.seriesOhm);
  loadCopper(bench, ma);
  const { ground, rails } = bench;
  if (ground) ground.network.solve([0], ground.inflowA, ground.volts);
  for (const rail of rails) {
    for (const { node, netId } of rail.handsOn) if (node >= 0) rail.inflowA[node] -= (netMa.get(netId) ?? 0) / 1000;
    const beforeV = beforeFeed(rail.feed, entryV, (netId, end) => endVolts(rails, netId, end));
    rail.network.solve([rail.feed.arrives(beforeV)], rail.inflowA, rail.volts);
  }
  return { entryV, netMa };
}

const highest = ({ volts }: Copper): number => volts.reduce((most, volt) => (volt > most ? volt : most), 0);
const voltsAt = (copper: Copper | null, node: number): number | undefined =>
  copper === null || node < 0 || Number.isNaN(copper.volts[node]) ? undefined : copper.volts[node];

/** Voltage of an end of a rail; of an end without a wire, what the rail begins with. */
function endVolts(rails: Rail[], netId: string, end: string): number {
  const rail = rails.find(({ feed }) => feed.netId === netId);
  return rail ? (voltsAt(rail, nodeOf(rail, end)) ?? highest(rail)) : 0;
}

/** An outside 5 V supply, at its own terminal. */
const OUTSIDE_V = 5;

/** Voltage before a feed: of its source, or at the end of the net that hands it on. */
export function beforeFeed({ from }: Feed, entryV: number, at: (netId: string, end: string) => number): number {
  if (from.at === "end") return at(from.netId, from.end);
  return from.at === "entry" ? entryV : OUTSIDE_V;
}

/** What comes from the module's entry: the nets that hang on it, and what its own logic takes without a wire. */
export function fromEntry({ feeds }: World, netMa: Map<string, number>): number {
  const fed = new Set(feeds.filter(({ from }) => from.at === "entry").map(({ netId }) => netId));
  // Without a net of its own the logic's rail is inside the module.
  if (!feeds.some(({ netId }) => netId === SUPPLY)) fed.add(SUPPLY);
  return [...fed].reduce((sum, netId) => sum + (netMa.get(netId) ?? 0), 0);
}

/** Voltages between the two ends of every consumer; the module's own parts have what arrives there. */
function voltagesBetween({ ground, rails, hung }: Bench, entryV: number): Float64Array {
  for (const rail of rails) rail.mostV = highest(rail);
  const between = new Float64Array(hung.length);
  hung.forEach(({ rail, plus, minus }, nth) => {
    const high = rail ? (voltsAt(rail, plus) ?? rail.mostV) : Math.max(0, entryV);
    between[nth] = Math.max(0, high - (voltsAt(ground, minus) ?? 0));
  });
  return between;
}

function told(
  { consumers }: World,
  { ground, rails }: Bench,
  ma: Float64Array,
  between: Float64Array,
): Pick<Settled, "volts" | "parts"> {
  const volts = new Map<string, Voltages>(
    rails.map((rail) => [rail.feed.netId, byNode(rail.network, rail.volts)] as const),
  );
  if (ground) volts.set(GROUND, byNode(ground.network, ground.volts));
  return { volts, parts: new Map(consumers.map(({ id }, nth) => [id, { ma: ma[nth], volts: between[nth] }])) };
}

/** Voltages and currents that agree with each other: no part changes by 0.01 mA any more. */
export function settle(world: World): Settled {
  const { consumers, state } = world;
  const bench = benchOf(world);
  const ma = Float64Array.from(consumers, (consumer) => consumer.ma(state, OUTSIDE_V));
  for (let round = 0; ; round++) {
    const found = findVoltages(world, bench, ma);
    const between = voltagesBetween(bench, found.entryV);
    const step = round < WHOLE_STEPS ? 1 : STEP;
    let change = 0;
    consumers.forEach((consumer, nth) => {
      const by = step * (consumer.ma(state, between[nth]) - ma[nth]);
      ma[nth] += by;
      change = Math.max(change, Math.abs(by));
    });
    if (change < CLOSE_MA || round === ROUNDS) return { ...found, ...told(world, bench, ma, between) };
  }
}
