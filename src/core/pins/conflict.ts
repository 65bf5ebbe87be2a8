import { type Pin, usablePins } from "../catalogue/controllers/controllerProfile";
import type { Net } from "../circuits/net";
import { type Derived, derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { lacks } from "./capability";
import { busGroups } from "./pinGroups";

/** Needs that cannot all be met, none of which could be spared from the set: without any one of them the rest fits. */
export interface Conflict {
  nets: Net[];
  /** Nets whose lock is part of the trouble. */
  locks: Net[];
  /** Pins that could serve any of them. */
  pins: string[];
}

interface Item {
  net: Net;
  isLock: boolean;
}

/** Whether every net of a list finds a pin of its own among its allowed ones (Kuhn's augmenting paths). */
function matches(allowed: number[][], pins: number): boolean {
  if (allowed.length > pins) return false;
  const holder = new Int32Array(pins).fill(-1);
  const place = (net: number, seen: Uint8Array): boolean => {
    for (const pin of allowed[net]) {
      if (seen[pin]) continue;
      seen[pin] = 1;
      if (holder[pin] < 0 || place(holder[pin], seen)) {
        holder[pin] = net;
        return true;
      }
    }
    return false;
  };
  return allowed.every((_, net) => place(net, new Uint8Array(pins)));
}

/** Every way of giving buses their bus controllers, as restrictions of the nets' pins. */
function* busChoices(nets: Net[], pins: Pin[], base: number[][]): Generator<number[][]> {
  const groups = busGroups(nets, pins);
  function* from(group: number, allowed: number[][], taken: Set<string>): Generator<number[][]> {
    if (group === groups.length) return yield allowed;
    const { nets: members, ways, sort } = groups[group];
    for (const way of ways) {
      const key = `${sort} ${way.key}`;
      if (taken.has(key)) continue;
      const next = allowed.slice();
      members.forEach((net, nth) => (next[net] = base[net].filter((pin) => way.pins[nth].includes(pin))));
      yield* from(group + 1, next, new Set([...taken, key]));
    }
  }
  yield* from(0, base, new Set());
}

function fits(items: Item[], design: Design, pins: Pin[]): boolean {
  const locks = new Set(items.filter(({ isLock }) => isLock).map(({ net }) => net.id));
  const nets = items.filter(({ isLock }) => !isLock).map(({ net }) => net);
  const allowed = nets.map((net) =>
    pins.flatMap((pin, nth) =>
      locks.has(net.id) ? (pin.name === design.pinPlan[net.id].pin ? [nth] : []) : lacks(pin, net.need!) ? [] : [nth],
    ),
  );
  for (const choice of busChoices(nets, pins, allowed)) if (matches(choice, pins.length)) return true;
  return false;
}

/** Leaves items out one after another for as long as the rest still conflicts (a deletion filter). */
function smallestFrom(items: Item[], design: Design, pins: Pin[]): Item[] {
  let left = items;
  for (const item of items) {
    const without = left.filter((one) => one !== item);
    if (!fits(without, design, pins)) left = without;
  }
  return left;
}

/** The hardest needs last, so that the filter keeps them and throws away plain ones first; and the other way round. */
const orders: ((items: Item[]) => Item[])[] = [
  (items) => [...items].sort((a, b) => rarity(a) - rarity(b)),
  (items) => [...items].sort((a, b) => rarity(b) - rarity(a)),
  (items) => [...items].reverse(),
];

const rarity = ({ net, isLock }: Item) =>
  (isLock ? 1 : 0) + (net.need!.analog ? 4 : 0) + (net.need!.pwm ? 3 : 0) + (net.need!.bus ? 5 : 0);

const itemsOf = ({ design, signalNets }: Derived): Item[] =>
  signalNets.flatMap((net) => [
    { net, isLock: false },
    ...(design.pinPlan[net.id]?.locked ? [{ net, isLock: true }] : []),
  ]);

/** Whether every net can have a pin: enough of them, and of the kinds that are needed. */
export function canPlaceAll(design: Design): boolean {
  const derived = derive(design);
  const { profile, signalNets } = derived;
  if (!profile || signalNets.length > usablePins(profile).length) return false;
  return derived.once("can place all", () => fits(itemsOf(derived), design, usablePins(profile)));
}

function conflictOf(derived: Derived): Conflict | null {
  const { design, profile, signalNets } = derived;
  if (!profile || signalNets.length > usablePins(profile).length || canPlaceAll(design)) return null;
  const pins = usablePins(profile);
  const items = itemsOf(derived);
  const found = orders
    .map((order) => smallestFrom(order(items), design, pins))
    .reduce((least, one) => (one.length < least.length ? one : least));
  const nets = found.filter(({ isLock }) => !isLock).map(({ net }) => net);
  const locks = found.filter(({ isLock }) => isLock).map(({ net }) => net);
  const able = pins.filter((pin) => nets.some((net) => !lacks(pin, net.need!)));
  return { nets, locks, pins: able.map(({ name }) => name) };
}

/**
 * A smallest set of conflicting needs, or null when all can be met (wishes such as interrupts are none). Too few pins
 * altogether are no conflict of needs: that is a matter of counting.
 */
export const pinConflict = (design: Design): Conflict | null =>
  derive(design).once("pin conflict", () => conflictOf(derive(design)));
