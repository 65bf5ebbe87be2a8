import { type ControllerProfile, type Pin, usablePins } from "../catalogue/controllers/controllerProfile";
import { lacks } from "../pins/capability";
import type { PinLot } from "./strategies/strategy";

export interface PinRoom {
  /** Every need met by a pin of its own. */
  fits: boolean;
  needed: number;
  /** Usable pins in all. */
  had: number;
  /** What found no pin: "2 voltages". */
  short: { what: string; count: number }[];
  /** Of the lines that want an interrupt, how many have one. */
  interrupts: { wanted: number; met: number };
}

/** Lots that share pins are counted once. */
export function joinLots(lots: PinLot[]): PinLot[] {
  const seen = new Set<string>();
  return lots.filter((lot) => {
    if (lot.count === 0 || (lot.shared && seen.has(lot.shared))) return false;
    if (lot.shared) seen.add(lot.shared);
    return true;
  });
}

/** How many pins can serve a lot: scarce lots are matched first, which keeps the search short. */
const choices = (lot: PinLot, pins: Pin[]) => pins.filter((pin) => !lacks(pin, lot.need)).length;

/**
 * The most needs that pins can serve at once, each with a pin of its own: augmenting paths (H. W. Kuhn, 1955).
 * @returns for every need the index of its pin, or -1
 */
function matchNeeds(able: boolean[][], pinCount: number): number[] {
  const ofPin = new Array<number>(pinCount).fill(-1);
  const pinOf = new Array<number>(able.length).fill(-1);
  const grow = (need: number, seen: boolean[]): boolean => {
    for (let pin = 0; pin < pinCount; pin++) {
      if (!able[need][pin] || seen[pin]) continue;
      seen[pin] = true;
      if (ofPin[pin] === -1 || grow(ofPin[pin], seen)) {
        ofPin[pin] = need;
        pinOf[need] = pin;
        return true;
      }
    }
    return false;
  };
  able.forEach((_, need) => grow(need, new Array<boolean>(pinCount).fill(false)));
  return pinOf;
}

/** Whether a controller's pins serve all lots at once, and what is short when they do not. */
export function pinRoomOf(lots: PinLot[], profile: ControllerProfile): PinRoom {
  const pins = usablePins(profile);
  const joined = joinLots(lots).sort((a, b) => choices(a, pins) - choices(b, pins));
  const units = joined.flatMap((lot) => new Array<PinLot>(lot.count).fill(lot));
  // Far more needs than pins: only as many are matched as could matter for telling what is short.
  const matched = matchNeeds(
    units.slice(0, pins.length + 1).map((lot) => pins.map((pin) => !lacks(pin, lot.need))),
    pins.length,
  );
  const shortBy = new Map<string, number>();
  units.forEach((lot, nth) => {
    if ((matched[nth] ?? -1) === -1) shortBy.set(lot.what, (shortBy.get(lot.what) ?? 0) + 1);
  });
  return {
    fits: shortBy.size === 0,
    needed: units.length,
    had: pins.length,
    short: [...shortBy].map(([what, count]) => ({ what, count })),
    interrupts: interruptsOf(units, pins),
  };
}

/** Lines that want an interrupt are given one as far as all other needs still find their pins. */
function interruptsOf(units: PinLot[], pins: Pin[]): PinRoom["interrupts"] {
  const wanted = units.filter((lot) => lot.need.interrupt).length;
  if (wanted === 0 || units.length > pins.length) return { wanted, met: 0 };
  const most = Math.min(wanted, pins.filter((pin) => pin.interrupt).length);
  const isPossible = (met: number) => {
    let given = 0;
    const able = units.map((lot) => {
      const insists = lot.need.interrupt && given++ < met;
      return pins.map((pin) => !lacks(pin, lot.need) && (!insists || pin.interrupt));
    });
    return matchNeeds(able, pins.length).every((pin) => pin !== -1);
  };
  // Fewer are never harder to give, so the most is found by halving.
  let [low, high] = [0, most];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (isPossible(middle)) low = middle;
    else high = middle - 1;
  }
  return { wanted, met: low };
}
