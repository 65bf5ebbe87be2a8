import { type Pin, usablePins } from "../catalogue/controllers/controllerProfile";
import type { Net } from "../circuits/net";
import { type Derived, derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { lacks } from "./capability";
import { type Fits, groupsFit } from "../optimisation/groupMatching";
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

function fits(items: Item[], design: Design, pins: Pin[]): Fits {
  const locks = new Set(items.filter(({ isLock }) => isLock).map(({ net }) => net.id));
  const nets = items.filter(({ isLock }) => !isLock).map(({ net }) => net);
  const allowed = nets.map((net) =>
    pins.flatMap((pin, nth) =>
      locks.has(net.id) ? (pin.name === design.pinPlan[net.id].pin ? [nth] : []) : lacks(pin, net.need!) ? [] : [nth],
    ),
  );
  return groupsFit(allowed, busGroups(nets, pins), pins.length);
}

/** Leaves items out one after another for as long as the rest still conflicts (a deletion filter). */
function smallestFrom(items: Item[], design: Design, pins: Pin[]): Item[] {
  let left = items;
  for (const item of items) {
    const without = left.filter((one) => one !== item);
    if (fits(without, design, pins) === "no") left = without;
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

function fitOf(derived: Derived): Fits {
  const { design, profile, signalNets } = derived;
  if (!profile || signalNets.length > usablePins(profile).length) return "no";
  return derived.once("fit", () => fits(itemsOf(derived), design, usablePins(profile)));
}

/** Whether every net is known to find a pin: enough of them, and of the kinds that are needed. */
export const canPlaceAll = (design: Design): boolean => fitOf(derive(design)) === "yes";

function conflictOf(derived: Derived): Conflict | null {
  const { design, profile, signalNets } = derived;
  if (!profile || signalNets.length > usablePins(profile).length || fitOf(derived) !== "no") return null;
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
