import { RAIL_5V, SUPPLY } from "../circuits/net";
import type { Circuit } from "../circuits";
import { type Derived, derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { wireOhm } from "../electrics/copper";
import type { Voltages } from "../electrics/network";
import { type Consumer, type State, consumersOf } from "./consumers";
import { feedsOf, feedsOfNet, isRegulated } from "./feeds";
import { powerOf } from "./profilePower";
import { DIODE_V, type SeriesPart } from "./seriesPart";
import { type Settled, type World, beforeFeed, fromEntry, settle } from "./settleSupply";
import { type SourceLimits, limitsOf } from "./sources";
import { type SupplyNet, supplyNetsOf } from "./supplyNets";

export interface RailLoad {
  netId: string;
  flag: string;
  /** At its root, and what all parts on it take. */
  volts: number;
  ma: number;
  /** The lowest that a part on it has between its own ends, and whose. */
  leastV: number;
  leastAt: Consumer | null;
}

/** Voltages and currents of a design at one moment. */
export interface SupplyState {
  state: State;
  source: SourceLimits;
  /** From the source itself; what a second source gives is told apart. */
  sourceMa: number;
  outsideMa: number;
  /** Where the source enters the module, and what the controller itself runs on. */
  entryV: number;
  logicV: number;
  series: SeriesPart[];
  rails: RailLoad[];
  consumers: Consumer[];
  /** By consumer: its current, and the voltage between its ends. */
  parts: Map<string, { ma: number; volts: number }>;
  /** By wire key: the current it carries, in mA. */
  wireMa: Map<string, number>;
}

function wireCurrents(nets: SupplyNet[], volts: Map<string, Voltages>): Map<string, number> {
  const currents = new Map<string, number>();
  for (const { net, wires } of nets) {
    const at = volts.get(net.id);
    for (const { key, from, to, cutMm, mm2 } of wires) {
      const [a, b] = [at?.get(from.id), at?.get(to.id)];
      if (a !== undefined && b !== undefined)
        currents.set(key, (1000 * Math.abs(a - b)) / Math.max(1e-6, wireOhm(cutMm, mm2)));
    }
  }
  return currents;
}

function seriesParts(world: World, point: Settled, design: Design): SeriesPart[] {
  const sourceMa = fromEntry(world, point.netMa);
  const { cable, fuse, diode } = design.supply;
  const part = (id: SeriesPart["id"], title: string, dropV: number, ma: number) => ({
    id,
    title,
    ma,
    dropV,
    mw: dropV * ma,
  });
  const cableOhm = cableOhmOf(design);
  const parts = [part("cable", `${cable.lengthM} m of cable, there and back`, (sourceMa / 1000) * cableOhm, sourceMa)];
  if (fuse) parts.push(part("fuse", `fuse for ${fuse.holdMa} mA`, (sourceMa / 1000) * fuse.ohm, sourceMa));
  if (diode !== "none") parts.push(part("diode", `${diode} diode`, world.diodeV, sourceMa));
  const endVolts = (netId: string, end: string) => {
    const net = point.volts.get(netId);
    return net?.get(end) ?? Math.max(0, ...(net?.values() ?? []));
  };
  const summed = new Map<string, SeriesPart>();
  for (const feed of world.feeds) {
    const before = beforeFeed(feed, point.entryV, endVolts);
    const own = part(feed.part.id, feed.part.title, before - feed.arrives(before), point.netMa.get(feed.netId) ?? 0);
    const known = summed.get(feed.part.id);
    const sum = known
      ? { ...known, ma: known.ma + own.ma, mw: known.mw + own.mw, dropV: Math.max(known.dropV, own.dropV) }
      : own;
    summed.set(feed.part.id, sum);
  }
  const { profile } = derive(design);
  if (profile && powerOf(profile).regulator && isRegulated(profile.logicV) && !summed.has("regulator")) {
    const ma = point.netMa.get(SUPPLY) ?? 0;
    summed.set(
      "regulator",
      part("regulator", "the module's regulator", Math.max(0, point.entryV - profile.logicV), ma),
    );
  }
  return [...parts, ...summed.values()];
}

const cableOhmOf = ({ supply: { cable } }: Design): number => 2 * wireOhm(cable.lengthM * 1000, cable.mm2);

function railLoads(world: World, point: Settled): RailLoad[] {
  return world.nets
    .filter(({ net }) => net.role === "supply" && world.feeds.some(({ netId }) => netId === net.id))
    .map(({ net, root }) => {
      const on = world.consumers.filter(({ railId, plus }) => railId === net.id && plus !== null);
      const volts = (consumer: Consumer) => point.parts.get(consumer.id)!.volts;
      const worst = on.reduce<Consumer | null>((a, b) => (a && volts(a) <= volts(b) ? a : b), null);
      return {
        netId: net.id,
        flag: net.flag,
        volts: point.volts.get(net.id)?.get(root) ?? 0,
        ma: point.netMa.get(net.id) ?? 0,
        leastV: worst ? volts(worst) : (point.volts.get(net.id)?.get(root) ?? 0),
        leastAt: worst,
      };
    });
}

/** Voltage of the source that a moment is told for: the lowest where everything is at its most, else the usual one. */
const sourceVoltage = (source: SourceLimits, state: State) => (state === "worst" ? source.leastV : source.usualV);

/** The logic's rail at its root; without wires of its own it is inside the module. */
function logicVoltage(world: World, { volts, entryV }: Settled, derived: Derived): number {
  const root = world.nets.find(({ net }) => net.id === SUPPLY)?.root;
  const own = root === undefined ? undefined : volts.get(SUPPLY)?.get(root);
  return own ?? feedsOfNet(derived, SUPPLY)[0].arrives(entryV);
}

/** What differs from the design itself, for trying a cure without building it. */
export interface Trial {
  circuits?: Circuit[];
  nets?: SupplyNet[];
}

/** What the voltages and currents of a design at a moment follow from; the schematic and other simulators start here. */
export function worldOf(derived: Derived, state: State, trial: Trial = {}): World {
  const { design } = derived;
  const source = limitsOf(design.supply.source);
  const consumers = consumersOf(derived, trial.circuits);
  // Where nothing hangs on a wire of supply or ground, none of them needs to be walked.
  const isWired = consumers.some(({ plus, minus }) => plus !== null || minus !== null);
  const nets = trial.nets ?? (isWired ? supplyNetsOf(design) : []);
  return {
    state,
    consumers,
    nets,
    feeds: feedsOf(derived, nets),
    source,
    sourceV: sourceVoltage(source, state),
    seriesOhm: source.ohm + cableOhmOf(design) + (design.supply.fuse?.ohm ?? 0),
    diodeV: DIODE_V[design.supply.diode],
  };
}

/** A moment without the currents of single wires, which cost a pass over all of them. */
export type TriedState = Omit<SupplyState, "wireMa">;

function stateOf(derived: Derived, world: World, settled: Settled): TriedState {
  const { design } = derived;
  return {
    state: world.state,
    source: world.source,
    sourceMa: fromEntry(world, settled.netMa),
    outsideMa: design.supply.outside?.isChosen ? (settled.netMa.get(RAIL_5V) ?? 0) : 0,
    entryV: settled.entryV,
    logicV: logicVoltage(world, settled, derived),
    series: seriesParts(world, settled, design),
    rails: railLoads(world, settled),
    consumers: world.consumers,
    parts: settled.parts,
  };
}

/** The same as `supplyAt` with something tried out. */
export function supplyTried(design: Design, state: State, trial: Trial): TriedState | null {
  const derived = derive(design);
  if (!derived.profile) return null;
  const world = worldOf(derived, state, trial);
  return stateOf(derived, world, settle(world));
}

/**
 * Currents and voltages of a design at a moment: loads that depend on their voltage, copper that takes some of it, and
 * the source behind cable, fuse and diode, brought together by repetition until no part changes by 0.01 mA.
 * @returns null while there is no controller
 */
export function supplyAt(design: Design, state: State): SupplyState | null {
  const derived = derive(design);
  if (!derived.profile) return null;
  return derived.once(`supply ${state}`, () => {
    const world = worldOf(derived, state);
    const settled = settle(world);
    return { ...stateOf(derived, world, settled), wireMa: wireCurrents(world.nets, settled.volts) };
  });
}
