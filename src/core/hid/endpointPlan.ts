import { type InterfaceKind, inOrder } from "./interfaceKinds";

/**
 * How often reports are told that may stand on one interface, told apart by a number in front, seen beside each other: what moves is
 * told at every millisecond, a key of the consumer page now and then. The keyboard stands alone, as start-up screens know no numbers,
 * and so do live changes and what the computer tells, which hosts look for by their interface, and music, which is another class.
 */
const OFTEN: Partial<Record<InterfaceKind, number>> = { system: 1, consumer: 2, place: 20, pad: 100, pointer: 110 };

export const mayShare = (kind: InterfaceKind): boolean => OFTEN[kind] !== undefined;

/** On one endpoint reports wait for each other: how often that can be. */
function waitingOf(group: readonly InterfaceKind[]): number {
  let sum = 0;
  for (const [nth, one] of group.entries())
    for (const other of group.slice(nth + 1)) sum += OFTEN[one]! * OFTEN[other]!;
  return sum;
}

/** All ways to put things into groups, each thing into one. */
function partitions<T>([first, ...rest]: readonly T[]): T[][][] {
  if (first === undefined) return [[]];
  return partitions(rest).flatMap((groups) => [
    [[first], ...groups],
    ...groups.map((_, nth) => groups.map((group, own) => (own === nth ? [first, ...group] : group))),
  ]);
}

/** Endpoints beside the first that any chip can have (USB 2.0, section 5.3.1.2). */
export const ENDPOINTS_THERE_CAN_BE = 15;

/** Interfaces in the order of their numbers, each with the reports that stand on it. */
export type EndpointPlan = InterfaceKind[][];

/**
 * Which reports share an interface and its endpoint, so that no more are needed than there are: of all ways the one in which reports
 * wait for each other least. With room for all, each has its own.
 * @param most endpoints beside the first; when even all that may share do not fit, they share all the same
 */
export function endpointPlan(kinds: readonly InterfaceKind[], most: number): EndpointPlan {
  const all = inOrder(kinds);
  if (all.length <= most) return all.map((kind) => [kind]);
  const sharing = all.filter(mayShare);
  const room = Math.max(1, most - (all.length - sharing.length));
  const ways = partitions(sharing).filter((groups) => groups.length <= room);
  const waits = (groups: InterfaceKind[][]) => groups.reduce((sum, group) => sum + waitingOf(group), 0);
  const best = ways.reduce((a, b) => (waits(b) < waits(a) ? b : a));
  return all.flatMap((kind) => {
    if (!mayShare(kind)) return [[kind]];
    return best.filter(([first]) => first === kind);
  });
}

/** The number in front of a report on an interface that it shares; 0 where none is. */
export const reportNumber = (group: readonly InterfaceKind[], kind: InterfaceKind): number =>
  group.length > 1 ? group.indexOf(kind) + 1 : 0;
