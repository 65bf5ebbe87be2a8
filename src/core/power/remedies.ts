import { LIGHT_LEAST_V } from "./lightCurrent";
import { largestHolding } from "../optimisation/largestHolding";
import type { Circuit } from "../circuits";
import type { LightChain } from "../circuits/lightChain";
import { GROUND, RAIL_3V3, SUPPLY } from "../circuits/net";
import type { Consumer, State } from "./consumers";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { wireOhm } from "../electrics/copper";
import { distanceMm } from "../geometry/point";
import { cutLengthMm } from "../wires/wires";
import { type Broken, type LimitSort, brokenIn } from "./limits";
import { type Trial, supplyAt, supplyTried } from "./solveSupply";
import { type SupplyNet, supplyNetsOf } from "./supplyNets";

const isChain = (circuit: Circuit): circuit is LightChain => circuit.kind === "light-chain";

/** Which limits a design would break with something tried out. */
function brokenWith(design: Design, trial: Trial): Broken[] {
  const [worst, asleep] = [supplyTried(design, "worst", trial), supplyAt(design, "asleep")];
  return worst && asleep ? brokenIn(design, worst, asleep) : [];
}

/** Limits that dimming lights can hold. */
export const DIMMABLE: LimitSort[] = [
  "source",
  "outside",
  "fuse",
  "regulator",
  "regulator heat",
  "pass",
  "logic voltage",
  "light voltage",
];
const holds = (design: Design, trial: Trial, sorts = DIMMABLE) =>
  !brokenWith(design, trial).some(({ sort }) => sorts.includes(sort));

/** About which part of what the lights take beyond their own logic would be left if every limit of current held. */
function partThatHolds(design: Design): number {
  const [worst, asleep] = [supplyAt(design, "worst"), supplyAt(design, "asleep")];
  if (!worst || !asleep) return 1;
  const lights = worst.consumers.filter(({ sort }) => sort === "light");
  const litMa = lights.reduce((sum, { id }) => sum + worst.parts.get(id)!.ma - asleep.parts.get(id)!.ma, 0);
  const over = brokenIn(design, worst, asleep).filter(({ sort, unit }) => unit === "mA" && DIMMABLE.includes(sort));
  return Math.min(1, ...over.map(({ value, limit }) => 1 - (value - limit) / Math.max(1e-6, litMa)));
}

/** All chains at most so bright: those that are dimmer stay as they are. */
export const dimmedTo = (circuits: Circuit[], percent: number): Circuit[] =>
  circuits.map((circuit) =>
    isChain(circuit) ? { ...circuit, brightnessPercent: Math.min(circuit.brightnessPercent, percent) } : circuit,
  );

/** All chains with at most so many lights lit at once. */
export const litAtMost = (circuits: Circuit[], most: number): Circuit[] =>
  circuits.map((circuit) =>
    isChain(circuit) ? { ...circuit, mostLit: Math.min(circuit.mostLit ?? Infinity, most) } : circuit,
  );

/** The highest brightness in percent at which every limit holds; null where even the dimmest light is too much. */
export const highestBrightness = (design: Design): number | null =>
  derive(design).once("highest brightness", () => searchBrightness(design));

function searchBrightness(design: Design): number | null {
  const most = Math.max(0, ...design.circuits.filter(isChain).map(({ brightnessPercent }) => brightnessPercent));
  const guess = Math.floor(most * partThatHolds(design));
  return largestHolding(most, guess, (percent) => holds(design, { circuits: dimmedTo(design.circuits, percent) }));
}

/** The most lights that may be lit at once, in each chain, for every limit to hold. */
export const mostLitAtOnce = (design: Design): number | null =>
  derive(design).once("most lit", () => searchLit(design));

function searchLit(design: Design): number | null {
  const most = Math.max(0, ...design.circuits.filter(isChain).map(({ members }) => members.length));
  const guess = Math.floor(most * partThatHolds(design));
  return largestHolding(most, guess, (lit) => holds(design, { circuits: litAtMost(design.circuits, lit) }));
}

/** Copper as it would be with some lights fed once more, straight from where their nets begin. */
function fedAt(design: Design, ids: string[]): SupplyNet[] {
  const { elements } = derive(design);
  const lights = ids.flatMap((id) => elements.get(id) ?? []);
  return supplyNetsOf(design).map((supplied) => {
    const name = supplied.net.id === GROUND ? "minus" : "plus";
    const root = placeOf(supplied);
    const again = lights.flatMap((light) => {
      const contact = light.contacts.find((each) => each.name === name);
      const isHere = contact && supplied.net.joints.some(({ contactId }) => contactId === contact.id);
      if (!isHere || !root) return [];
      const ohm = wireOhm(cutLengthMm(distanceMm(contact.at, root), design.wires), design.wires.supplyMm2);
      return [{ a: supplied.root, b: contact.id, ohm }];
    });
    return again.length === 0 ? supplied : { ...supplied, branches: [...supplied.branches, ...again] };
  });
}

function placeOf({ net, root, wires }: SupplyNet) {
  const joint = net.joints.find(({ contactId }) => contactId === root);
  return joint?.at ?? wires.flatMap(({ from, to }) => [from, to]).find(({ id }) => id === root)?.at ?? null;
}

/** So many sets of feeding points are tried in full; beyond, the lowest light is fed again and again. */
const MOST_TRIED = 1500;

function* setsOf(ids: string[], size: number, from = 0): Generator<string[]> {
  if (size === 0) yield [];
  else
    for (let nth = from; nth <= ids.length - size; nth++)
      for (const rest of setsOf(ids, size - 1, nth + 1)) yield [ids[nth], ...rest];
}

const countOfSets = (n: number, k: number): number => (k === 0 ? 1 : (countOfSets(n - 1, k - 1) * n) / k);

export interface FeedingPoints {
  /** Lights at which supply and ground are fed in once more. */
  ids: string[];
  /** Whether every smaller set was tried. */
  isFewest: boolean;
  /** Voltage of the light that has least, in V. */
  leastV: number;
}

/** Voltage of the lowest light of a chain with these feeding points. */
function lowestOf(design: Design, chain: LightChain, ids: string[]): { id: string; volts: number } {
  const nets = fedAt(design, ids);
  const state = supplyTried(design, "worst", { nets });
  const members = new Set(chain.members);
  let lowest = { id: "", volts: Infinity };
  for (const { id } of state?.consumers ?? []) {
    const volts = state!.parts.get(id)!.volts;
    if (members.has(id) && volts < lowest.volts) lowest = { id, volts };
  }
  return lowest;
}

/**
 * The fewest places at which a chain must be fed once more so that its lowest light keeps a voltage: sets of one, two …
 * lights are tried in full as long as there are few of them; else the lowest light is fed, again and again.
 * @returns null when no number of places is enough: the voltage is lost before the chain
 */
export function feedingPoints(design: Design, chain: LightChain, leastV: number): FeedingPoints | null {
  const lights = chain.members;
  for (let size = 0, tried = 0; size <= lights.length; size++) {
    tried += countOfSets(lights.length, size);
    if (tried > MOST_TRIED) return greedyPoints(design, chain, leastV);
    let best: FeedingPoints | null = null;
    for (const ids of setsOf(lights, size)) {
      const { volts } = lowestOf(design, chain, ids);
      if (volts >= leastV && volts > (best?.leastV ?? 0)) best = { ids, isFewest: true, leastV: volts };
    }
    if (best) return best;
  }
  return null;
}

/** Part of a rail's voltage that may be lost on the way to the farthest part and back (common practice). */
export const MOST_LOST = 0.05;

/** What feeding aims at, in V: what a light surely works with, and what its rail has but for the part that wires may lose. */
export function wishedLightV(design: Design, chain: LightChain): number {
  const supply = supplyAt(design, "worst");
  const railId = supply?.consumers.find(({ id }) => chain.members.includes(id))?.railId;
  const rail = supply?.rails.find(({ netId }) => netId === railId);
  return Math.max(LIGHT_LEAST_V, (1 - MOST_LOST) * (rail?.volts ?? 0));
}

/** The fewest places with which wires lose no more than they may, or else with which the lights still work. */
export function whereToFeed(design: Design, chain: LightChain): FeedingPoints | null {
  const bare = { ...chain, feedAt: [] };
  return feedingPoints(design, bare, wishedLightV(design, chain)) ?? feedingPoints(design, bare, LIGHT_LEAST_V);
}

/** What the lowest light of a chain would have with every light fed by wires of its own: no set of places gives more. */
export const leastWhenFedEverywhere = (design: Design, chain: LightChain): number =>
  derive(design).once(`least when fed everywhere ${chain.id}`, () => lowestOf(design, chain, chain.members).volts);

function greedyPoints(design: Design, chain: LightChain, leastV: number): FeedingPoints | null {
  const ids: string[] = [];
  for (;;) {
    const { id, volts } = lowestOf(design, chain, ids);
    if (volts >= leastV) return { ids, isFewest: false, leastV: volts };
    if (ids.includes(id) || id === "" || ids.length === chain.members.length) return null;
    ids.push(id);
  }
}

const withFeed = (design: Design, change: (circuit: Circuit) => Circuit): Design => ({
  ...design,
  circuits: design.circuits.map(change),
});

/** Lights and register lamps on 5 V instead of behind the module's regulator; the same design where none is behind it. */
export const feedBeforeRegulator = (design: Design): Design =>
  !design.circuits.some((circuit) => "feed" in circuit && circuit.feed === "logic")
    ? design
    : withFeed(design, (circuit) => {
        if (isChain(circuit) && circuit.feed === "logic") return { ...circuit, feed: "5V" };
        return circuit.kind === "output-registers" ? { ...circuit, feed: "5V" } : circuit;
      });

/** Current of what would hang on the 5 V rail once lights and register lamps are fed from it, in mA. */
function movableMa(design: Design, from: "regulator" | "everything", state: State): number {
  const supply = supplyAt(design, state);
  if (!supply) return 0;
  const behind = new Set<string>(from === "regulator" ? [SUPPLY, RAIL_3V3] : []);
  const isMoved = ({ sort, plus, railId }: Consumer) =>
    plus !== null &&
    ["light", "lamp", "segments", "output"].includes(sort) &&
    (from === "everything" || behind.has(railId));
  return supply.consumers.filter(isMoved).reduce((sum, { id }) => sum + supply.parts.get(id)!.ma, 0);
}

/** Room for what the estimate leaves out: voltages rise a little when a load is moved away. */
const ROOM = 0.97;

/** Whether moving lights, lamps and motors away brings a broken limit within its bounds. */
export function movingSettles(
  design: Design,
  { sort, value, limit, unit }: Broken,
  to: "before the regulator" | "outside",
): boolean {
  const isRegulator = sort === "regulator" || sort === "regulator heat";
  if (to === "before the regulator" && (!isRegulator || feedBeforeRegulator(design) === design)) return false;
  if (!isRegulator && !["source", "fuse", "pass", "before configuration"].includes(sort)) return false;
  const worst = supplyAt(design, "worst");
  const carried = isRegulator ? (worst?.series.find(({ id }) => id === "regulator")?.ma ?? 0) : value;
  const left =
    carried -
    movableMa(design, isRegulator ? "regulator" : "everything", sort === "before configuration" ? "asleep" : "worst");
  // Heat goes with the current.
  return (unit === "K" ? (value * left) / carried : left) <= ROOM * limit;
}

/** Ratings in which small 5 V supplies are sold, in mA (common practice). */
const RATINGS_MA = [1000, 2000, 3000, 4000, 6000, 10_000, 20_000];

/** A second 5 V supply for lights, lamps and motors, with the jumper that puts them on it; null where none is enough. */
export const withOutsideSupply = (design: Design): Design | null =>
  derive(design).once("outside supply", () => {
    const moved = feedBeforeRegulator(design);
    const rated = (limitMa: number): Design => ({
      ...moved,
      supply: { ...moved.supply, outside: { limitMa, isChosen: true } },
    });
    const most = RATINGS_MA.at(-1)!;
    const takenMa = supplyAt(rated(most), "worst")?.outsideMa ?? 0;
    const enough = RATINGS_MA.find((limitMa) => takenMa <= limitMa);
    return enough === undefined ? null : rated(enough);
  });
