import type { LightChain } from "../circuits/lightChain";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { type Endurance, type Measuring, endurance, measuring } from "./battery";
import { type ConsumerSort, type State, byState } from "./consumers";
import { type LampBranch, lampBranches } from "./lampBranches";
import { LIGHT_LEAST_V } from "./lightCurrent";
import { type Broken, brokenLimits } from "./limits";
import { highestBrightness, mostLitAtOnce } from "./remedies";
import type { SeriesPart } from "./seriesPart";
import { type SupplyState, supplyAt } from "./solveSupply";
import { type Switched, switchedParts } from "./switched";
import { type WireLoad, wireLoads } from "./wireLoads";

/** One part that takes current, as values. */
export interface PartLoad {
  id: string;
  label: string;
  sort: ConsumerSort;
  controlId: string | null;
  /** The rail's flag; null inside the module. */
  rail: string | null;
  ma: Record<State, number>;
  /** Between its ends with everything at its most, in V. */
  leastV: number;
}

export interface ChainLoad {
  circuitId: string;
  lights: number;
  worstMa: number;
  darkMa: number;
  leastV: number;
}

/** All that the screens tell of a design's currents: values only, so that another thread can work them out. */
export interface SupplyView {
  moments: Record<State, { ma: number; limitMa: number | null }>;
  sourceTitle: string;
  sourceFrom: string;
  sourceLeastV: number;
  outsideMa: number;
  series: SeriesPart[];
  rails: { netId: string; flag: string; volts: number; ma: number; leastV: number; leastAt: string | null }[];
  parts: PartLoad[];
  wires: WireLoad[];
  lamps: LampBranch[];
  switched: Switched[];
  chains: ChainLoad[];
  /** For all chains together; null where nothing holds, or without lights. */
  highestBrightness: number | null;
  mostLit: number | null;
  lightLeastV: number;
  broken: Broken[];
  endurance: Endurance | null;
  measuring: Measuring | null;
}

type AllStates = Record<State, SupplyState>;

function partsOf(design: Design, all: AllStates): PartLoad[] {
  const { netById } = derive(design);
  return all.worst.consumers.map(({ id, label, sort, controlId, railId, plus }) => ({
    id,
    label,
    sort,
    controlId,
    rail: plus === null ? null : (netById.get(railId)?.flag ?? railId),
    ma: byState((state) => all[state].parts.get(id)!.ma),
    leastV: all.worst.parts.get(id)!.volts,
  }));
}

function chainsOf(design: Design, parts: PartLoad[]): ChainLoad[] {
  const chains = design.circuits.filter((circuit): circuit is LightChain => circuit.kind === "light-chain");
  return chains.flatMap(({ id, members }) => {
    const own = parts.filter((part) => part.sort === "light" && members.includes(part.id));
    if (own.length === 0) return [];
    const sum = (state: State) => own.reduce((all, { ma }) => all + ma[state], 0);
    const leastV = Math.min(...own.map((part) => part.leastV));
    return [{ circuitId: id, lights: own.length, worstMa: sum("worst"), darkMa: sum("asleep"), leastV }];
  });
}

/** The currents of a design as values; null while there is no controller. */
export function supplyView(design: Design): SupplyView | null {
  if (!supplyAt(design, "worst")) return null;
  const all = byState((state) => supplyAt(design, state)!);
  const { worst } = all;
  const parts = partsOf(design, all);
  const chains = chainsOf(design, parts);
  return {
    moments: byState((state) => ({
      ma: all[state].sourceMa,
      limitMa: state === "asleep" ? worst.source.asleepMa : worst.source.afterMa,
    })),
    sourceTitle: worst.source.title,
    sourceFrom: worst.source.from,
    sourceLeastV: worst.source.leastV,
    outsideMa: worst.outsideMa,
    series: worst.series,
    rails: worst.rails.map(({ leastAt, ...rail }) => ({ ...rail, leastAt: leastAt?.label ?? null })),
    parts,
    wires: wireLoads(design, "worst"),
    lamps: [...lampBranches(design).values()],
    switched: switchedParts(design),
    chains,
    highestBrightness: chains.length > 0 ? highestBrightness(design) : null,
    mostLit: chains.length > 0 ? mostLitAtOnce(design) : null,
    lightLeastV: LIGHT_LEAST_V,
    broken: brokenLimits(design),
    endurance: endurance(design),
    measuring: measuring(design),
  };
}
