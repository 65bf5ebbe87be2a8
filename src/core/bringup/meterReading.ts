import { derive } from "../derived/derive";
import { type Branch, solveNetwork } from "../electrics/network";
import { type Assembled, type Node, shuntOhm } from "./assembled";
import { CONTACT_OHM, type FaultyWorld, elementOf } from "./faultyWorld";

/** A way for the meter's current, in one direction only where it is a diode's. */
interface Way {
  to: Node;
  ohm: number;
  /** Volts that a diode takes; 0 of what is none. */
  drop: number;
  /** Its bond, or what else it belongs to: "contact K1", "lamp L2". */
  of: string;
}

/** A silicon diode at the milliampere of a meter's diode range (1N4148 data sheets: 0.55 to 0.65 V). */
const DIODE_V = 0.6;
/** A red or green lamp there (from memory). */
const LAMP_V = 1.8;
/** What a meter's diode range can tell (from memory). */
const MOST_V = 2.8;

/** Joined metal reads less than this. */
export const JOINED_OHM = 10;
/** More than this a meter calls open. */
const OPEN_OHM = 10e6;

/** What a meter shows: ohms, volts of its diode range, or nothing. */
export type Reading = { shows: "ohm"; ohm: number } | { shows: "volt"; volt: number } | { shows: "open" };

/** All ways of a sound device, its contacts open; worked out once. */
export const waysOf = (assembled: Assembled): Map<Node, Way[]> =>
  derive(assembled.design).once("ways of a meter", () => {
    const ways = new Map<Node, Way[]>();
    const one = (from: Node, way: Way) => {
      const list = ways.get(from);
      if (list) list.push(way);
      else ways.set(from, [way]);
    };
    const both = (a: Node, b: Node, ohm: number, of: string) => {
      one(a, { to: b, ohm, drop: 0, of });
      one(b, { to: a, ohm, drop: 0, of });
    };
    for (const { id, sort, a, b, ohm, anode } of assembled.bonds.values()) {
      if (sort === "pin") continue;
      if (sort === "diode") one(anode!, { to: anode === a ? b : a, ohm: 0, drop: DIODE_V, of: id });
      else both(a, b, ohm, id);
    }
    const { shunts, elements } = derive(assembled.design);
    for (const { id, sort, value } of shunts)
      if (sort === "resistor") both(`${id}.1`, `${id}.2`, shuntOhm(value) ?? 0, `shunt ${id}`);
      else one(`${id}.1`, { to: `${id}.2`, ohm: 0, drop: DIODE_V, of: `shunt ${id}` });
    for (const { id, kind, contacts, trackOhm } of elements.values()) {
      if (kind === "lamp") one(contacts[0].id, { to: contacts[1].id, ohm: 0, drop: LAMP_V, of: `lamp ${id}` });
      if (kind === "analog" && trackOhm !== undefined) {
        both(contacts[0].id, contacts[1].id, trackOhm / 2, `track ${id}`);
        both(contacts[1].id, contacts[2].id, trackOhm / 2, `track ${id}`);
      }
    }
    return ways;
  });

/** Where a meter's tips are held, in which range, while which contacts are pressed. */
export interface MeterDeed {
  red: Node;
  black: Node;
  range: "ohm" | "diode";
  held: string[];
}

/** The metal that a pressed contact joins; null of what is no contact. */
function joinedBy({ contactsOf }: Assembled, contact: string): { a: Node; b: Node } | null {
  const all = contactsOf.get(elementOf(contact)) ?? [];
  if (all.length < 2) return null;
  return { a: (contact.endsWith("/B") ? all[1] : all[0]).contactId, b: all.at(-1)!.contactId };
}

/** Ways without a diode, which stand at both of their ends, as one branch each. */
const branchesOf = (ways: ReadonlyMap<Node, Way[]>): Branch[] =>
  [...ways].flatMap(([a, all]) => all.flatMap(({ to: b, ohm, drop }) => (drop === 0 && a < b ? [{ a, b, ohm }] : [])));

/** All that conducts without a diode on a sound device while some contacts are held. */
export function conducting(assembled: Assembled, held: readonly string[]): Branch[] {
  const drawn = branchesOf(waysOf(assembled));
  const pressed = held.flatMap((contact) => joinedBy(assembled, contact) ?? []);
  return [...drawn, ...pressed.map((ends) => ({ ...ends, ohm: CONTACT_OHM }))];
}

/** The ways as the faults and the held contacts leave them. */
export class MeterWays {
  private readonly more = new Map<Node, Way[]>();
  private readonly gone = new Set<string>();

  constructor(
    private readonly world: FaultyWorld,
    held: string[],
  ) {
    const { assembled } = world.base;
    for (const id of world.broken) this.gone.add(id);
    for (const contact of [...held, ...world.stuck()]) this.close(contact);
    for (const fault of world.faults) {
      if (fault.kind === "bridged") this.bridge(fault.bond);
      if (fault.kind === "reversed") this.turn(fault.bond);
      if (fault.kind === "dark") this.gone.add(`lamp ${fault.elementId}`);
      if (fault.kind === "turned") this.turnLamp(fault.elementId);
      if (fault.kind === "short") this.join(anyNode(assembled, fault.netA), anyNode(assembled, fault.netB));
      if (fault.kind === "swapped") this.swap(fault.netA, fault.netB);
      if (fault.kind === "misplaced") this.join(`${fault.net}|${assembled.nets.get(fault.net)?.pad?.node}`, fault.pad);
    }
  }

  private add(from: Node, way: Way) {
    this.more.set(from, [...(this.more.get(from) ?? []), way]);
  }

  private join(a: Node | null, b: Node | null, ohm = CONTACT_OHM) {
    if (a === null || b === null) return;
    this.add(a, { to: b, ohm, drop: 0, of: "added" });
    this.add(b, { to: a, ohm, drop: 0, of: "added" });
  }

  private close(contact: string) {
    const ends = joinedBy(this.world.base.assembled, contact);
    if (ends) this.join(ends.a, ends.b);
  }

  private bridge(bondId: string) {
    const bond = this.world.base.assembled.bonds.get(bondId)!;
    this.gone.add(bondId);
    this.join(bond.a, bond.b);
  }

  private turn(bondId: string) {
    const { a, b, anode } = this.world.base.assembled.bonds.get(bondId)!;
    this.gone.add(bondId);
    this.add(anode === a ? b : a, { to: anode!, ohm: 0, drop: DIODE_V, of: "added" });
  }

  private turnLamp(elementId: string) {
    const contacts = this.world.base.assembled.contactsOf.get(elementId) ?? [];
    this.gone.add(`lamp ${elementId}`);
    if (contacts.length === 2)
      this.add(contacts[1].contactId, { to: contacts[0].contactId, ohm: 0, drop: LAMP_V, of: "added" });
  }

  /** Each lead on the other's pad. */
  private swap(netA: string, netB: string) {
    const { nets } = this.world.base.assembled;
    const [one, other] = [nets.get(netA)?.pad?.node, nets.get(netB)?.pad?.node];
    if (!one || !other) return;
    this.gone.add(`${netA}|${one}|joint`);
    this.gone.add(`${netB}|${other}|joint`);
    this.join(`${netA}|${one}`, other);
    this.join(`${netB}|${other}`, one);
  }

  /** What conducts without a diode and is not drawn, and the names of all that is drawn and gone. */
  changes(): { more: Branch[]; gone: ReadonlySet<string> } {
    return { more: branchesOf(this.more), gone: this.gone };
  }

  *from(node: Node): Generator<Way> {
    for (const way of waysOf(this.world.base.assembled).get(node) ?? []) if (!this.gone.has(way.of)) yield way;
    yield* this.more.get(node) ?? [];
  }
}

const anyNode = ({ nets }: Assembled, netId: string): Node | null => {
  const net = nets.get(netId);
  return net?.pad?.node ?? [...(net?.places.values() ?? [])][0]?.lump ?? null;
};

/**
 * What a meter shows from the red tip to the black one, with power off: in its ohm range some tenths of a volt, at which
 * no diode conducts; in its diode range a milliampere and the voltage that it needs (common practice).
 */
export function readMeter(world: FaultyWorld, { red, black, range, held }: MeterDeed): Reading {
  const ways = new MeterWays(world, held);
  if (range === "diode") {
    const volt = leastDrop(ways, red, black);
    return volt === null || volt > MOST_V ? { shows: "open" } : { shows: "volt", volt };
  }
  return readingOfOhm(resistance(ways, red, black));
}

export const readingOfOhm = (ohm: number | null): Reading =>
  ohm === null || ohm > OPEN_OHM ? { shows: "open" } : { shows: "ohm", ohm };

/** The fewest volts of diodes on any way. */
function leastDrop(ways: MeterWays, red: Node, black: Node): number | null {
  const drops = new Map<Node, number>([[red, 0]]);
  const open = [red];
  while (open.length > 0) {
    const node = open.shift()!;
    for (const { to, drop } of ways.from(node)) {
      const there = drops.get(node)! + drop;
      if (there > MOST_V || there >= (drops.get(to) ?? Infinity)) continue;
      drops.set(to, there);
      open.push(to);
    }
  }
  return drops.get(black) ?? null;
}

/** By Kirchhoff's law over all that hangs together: a tree most of the time, but not where resistors lie across. */
function resistance(ways: MeterWays, red: Node, black: Node): number | null {
  if (red === black) return 0;
  const along = new Map<Node, number>([[red, 0]]);
  const open = [red];
  const branches: Branch[] = [];
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const { to, ohm, drop } of ways.from(node)) {
      if (drop > 0) continue;
      if (node < to) branches.push({ a: node, b: to, ohm });
      if (along.has(to)) continue;
      const there = along.get(node)! + ohm;
      // Other ways beside this one can only make it less: joined is joined.
      if (to === black && there < JOINED_OHM) return there;
      along.set(to, there);
      open.push(to);
    }
  if (!along.has(black)) return null;
  const carrying = withoutDeadEnds(branches, new Set([red, black]));
  return solveNetwork(carrying, new Map([[black, 0]]), new Map([[red, 1]])).get(red) ?? null;
}

/** Branches that lead nowhere carry no current: of a net with many joints only the way between the tips is left. */
function withoutDeadEnds(branches: Branch[], tips: ReadonlySet<Node>): Branch[] {
  const at = new Map<Node, Set<Branch>>();
  for (const branch of branches)
    for (const node of [branch.a, branch.b]) {
      const known = at.get(node);
      if (known) known.add(branch);
      else at.set(node, new Set([branch]));
    }
  const isDeadEnd = (node: Node) => !tips.has(node) && at.get(node)!.size === 1;
  const ends = [...at.keys()].filter(isDeadEnd);
  for (let node = ends.pop(); node !== undefined; node = ends.pop()) {
    const [branch] = at.get(node)!;
    if (!branch) continue;
    at.get(node)!.delete(branch);
    const next = branch.a === node ? branch.b : branch.a;
    at.get(next)!.delete(branch);
    if (isDeadEnd(next)) ends.push(next);
  }
  return branches.filter((branch) => at.get(branch.a)!.has(branch));
}

/** The bonds on the way between both tips, on a sound device. */
export function bondsBetween(world: FaultyWorld, { red, black, range, held }: MeterDeed): string[] {
  const ways = new MeterWays(world, held);
  const cameBy = new Map<Node, { from: Node; of: string } | null>([[red, null]]);
  const open = [red];
  while (open.length > 0 && !cameBy.has(black)) {
    const node = open.shift()!;
    for (const { to, of, drop } of ways.from(node)) {
      if (cameBy.has(to) || (drop > 0 && range === "ohm")) continue;
      cameBy.set(to, { from: node, of });
      open.push(to);
    }
  }
  const bonds: string[] = [];
  for (let step = cameBy.get(black); step; step = cameBy.get(step.from)) bonds.push(step.of);
  return bonds;
}
