import type { Conductor } from "../circuits/circuitKind";
import { rungTold } from "../circuits/ladderVoltage";
import { BANK_LINES } from "../contract/contract";
import { derive } from "../derived/derive";
import type { Branch } from "../electrics/network";
import { ElectricalWorld } from "../engine/electricalWorld";
import { type ScanTable, bankCount, scanTableOf } from "../firmware/scanTable";
import { distanceMm } from "../geometry/point";
import {
  type Assembled,
  type AssembledNet,
  type Bond,
  Groups,
  type Node,
  type Place,
  seriesShunts,
  shuntOhm,
} from "./assembled";
import { addDeadLines } from "./deadChips";
import { BEND_MM, type Bend, type Fault } from "./fault";
import { ladderLevelsOf } from "./ladderLevels";

interface Contact {
  netId: string;
  contactId: string;
}

/** A conductor of the scan with the places that its two ends are soldered at. */
interface PlacedConductor {
  conductor: Conductor;
  from: { net: AssembledNet; place: Place } | null;
  to: { net: AssembledNet; place: Place } | null;
}

/** What all worlds of one design share. */
export interface WorldBase {
  assembled: Assembled;
  scan: ScanTable;
  conductors: PlacedConductor[];
  levels: { inputHighMinV: number };
  /** By net: the conductors that end on it. */
  stride: number;
}

/** High level of an input while no controller is chosen (from memory). */
const ASSUMED_HIGH_V = 2;

export const elementOf = (contact: string): string => contact.replace(/\/[AB]$/, "");

export function worldBaseOf(assembled: Assembled): WorldBase {
  const { design } = assembled;
  const scan = scanTableOf(design);
  const { profile } = derive(design);
  return {
    assembled,
    scan,
    conductors: scan.conductors.map((conductor) => placedConductor(assembled, conductor)),
    levels: { inputHighMinV: profile?.inputHighMinV ?? ASSUMED_HIGH_V },
    stride: Math.max(1, bankCount(scan)),
  };
}

function placedConductor({ contactsOf, nets }: Assembled, conductor: Conductor): PlacedConductor {
  const all = contactsOf.get(elementOf(conductor.contact)) ?? [];
  const first = all.find(({ netId }) => netId === conductor.from) ?? all[0];
  // The other side of an encoder's contact is its common one, the last.
  const isOther = (one: Contact) => one !== first && (one.netId === conductor.to || all.length === 2);
  const second = all.findLast(isOther) ?? all.at(-1);
  const placed = (one: Contact | undefined) => {
    if (!one) return null;
    const net = nets.get(one.netId);
    const place = net?.places.get(one.contactId);
    return net && place ? { net, place } : null;
  };
  return { conductor, from: placed(first), to: first === second ? null : placed(second) };
}

const firmNet = (id: string) => `~${id}`;

/**
 * The electrical world of a device with faults in it: the same solver as a sound one has, over conductors whose ends are
 * where the faults leave them. A net that is cut is several nets; what is not joined to its root any more is nobody's.
 */
export class FaultyWorld {
  /** The scan as this device has it: what the firmware runs on. */
  readonly scan: ScanTable;
  readonly broken = new Set<string>();
  private readonly world: ElectricalWorld;
  private readonly words: Uint16Array;
  private readonly islands = new Map<string, Groups>();
  /** By net: which net's name its lead has after a swap. */
  private readonly leads = new Map<string, string>();
  private readonly deadLines = new Set<string>();
  /** Bonds that are not as they should be, and nets whose trunk is broken somewhere. */
  private readonly touched = new Set<string>();
  private readonly cutNets = new Set<string>();

  constructor(
    readonly base: WorldBase,
    readonly faults: readonly Fault[],
    bend: Bend | null = null,
  ) {
    for (const fault of faults) this.put(fault, bend);
    const { bonds, nets } = base.assembled;
    for (const id of this.broken) {
      this.touched.add(id);
      const { netId } = bonds.get(id)!;
      if (nets.get(netId)!.trunk.some((bond) => bond.id === id)) this.cutNets.add(netId);
    }
    for (const fault of faults) if ("bond" in fault && fault.kind !== "cold") this.touched.add(fault.bond);
    addDeadLines(this, this.deadLines);
    this.scan = this.faultyScan();
    this.world = new ElectricalWorld(this.scan, base.levels);
    this.words = new Uint16Array(base.stride * (this.scan.strobeLines.length + 1));
    for (const contact of this.alwaysClosed()) this.world.set(contact, true);
  }

  private put(fault: Fault, bend: Bend | null) {
    const { bonds, nets } = this.base.assembled;
    if (fault.kind === "open") this.broken.add(fault.bond);
    if (fault.kind === "cold" && bend && isBent(bonds.get(fault.bond), bend)) this.broken.add(fault.bond);
    if (fault.kind === "misplaced") {
      const joint = nets
        .get(fault.net)
        ?.trunk.find(({ b, sort }) => sort === "joint" && b === nets.get(fault.net)?.pad?.node);
      if (joint) this.broken.add(joint.id);
    }
    if (fault.kind === "swapped") {
      this.leads.set(fault.netA, fault.netB);
      this.leads.set(fault.netB, fault.netA);
    }
  }

  /** Contacts that nobody has to press. */
  alwaysClosed(): string[] {
    return this.added().map(({ contact }) => contact);
  }

  /** Contacts that stay closed whatever a finger does. */
  stuck(): string[] {
    return this.faults.flatMap((fault) => (fault.kind === "stuck" ? [fault.contact] : []));
  }

  /** What conducts beside the contacts: metal that touches, and a way beside each contact that is stuck. */
  private added(): Conductor[] {
    const stuck = this.faults.flatMap((fault, nth) =>
      fault.kind === "stuck"
        ? this.base.conductors
            .filter(({ conductor }) => conductor.contact === fault.contact)
            .flatMap((one) => this.conductorOf(one).map((way) => ({ ...way, contact: `stuck ${nth}` })))
        : [],
    );
    return [...this.shorts(), ...stuck];
  }

  private shorts(): Conductor[] {
    return this.faults.flatMap((fault, nth) =>
      fault.kind === "short"
        ? [{ contact: `short ${nth}`, from: this.leadOf(fault.netA), to: this.leadOf(fault.netB), diode: false }]
        : [],
    );
  }

  private leadOf(netId: string): string {
    return this.leads.get(netId) ?? netId;
  }

  private groupsOf(net: AssembledNet): Groups {
    let groups = this.islands.get(net.net.id);
    if (!groups) {
      groups = new Groups();
      for (const { id, a, b } of net.trunk) if (!this.broken.has(id)) groups.join(a, b);
      this.islands.set(net.net.id, groups);
    }
    return groups;
  }

  private isCut({ net }: AssembledNet): boolean {
    return this.cutNets.has(net.id);
  }

  /** Whether a node of a net still leads to its root. */
  isRooted(net: AssembledNet, node: Node): boolean {
    if (net.root === null || this.deadLines.has(net.net.id)) return false;
    const series = seriesShunts(this.base.assembled.design).get(net.net.id);
    if (series && !this.reaches(series.from)) return false;
    return !this.isCut(net) || node === net.root || this.groupsOf(net).same(node, net.root);
  }

  /** Whether a place's own joints and small part let current through. */
  isSound({ own }: Place): boolean {
    return !own.some(({ id }) => this.broken.has(id));
  }

  /** Whether the contact of an element reaches what its net hangs on. */
  reaches(contact: { netId: string; contactId: string }): boolean {
    const net = this.base.assembled.nets.get(contact.netId)!;
    const place = net.places.get(contact.contactId)!;
    return this.isSound(place) && this.isRooted(net, place.lump);
  }

  private endName(end: PlacedConductor["from"], usual: string): string {
    if (!end) return usual;
    const { net, place } = end;
    if (!this.isCut(net) || this.isRooted(net, place.lump)) return this.leadOf(usual);
    return firmNet(this.groupsOf(net).find(place.lump));
  }

  /** Most conductors of most faulty devices are as they should be. */
  private isAsDrawn({ from, to }: PlacedConductor): boolean {
    return [from, to].every(
      (end) =>
        !end ||
        (!this.isCut(end.net) &&
          !this.leads.has(end.net.net.id) &&
          !end.place.own.some(({ id }) => this.touched.has(id))),
    );
  }

  private conductorOf(placed: PlacedConductor): Conductor[] {
    const { conductor, from, to } = placed;
    if (this.isAsDrawn(placed)) return [conductor];
    if ([from, to].some((end) => end && !this.isSound(end.place))) return [];
    const ends = { from: this.endName(from, conductor.from), to: this.endName(to, conductor.to) };
    const own = [from, to].flatMap((end) => end?.place.own ?? []);
    const has = (kind: "reversed" | "bridged") =>
      this.faults.some((fault) => fault.kind === kind && own.some(({ id }) => id === fault.bond));
    if (has("bridged")) return [{ ...conductor, ...ends, diode: false }];
    return has("reversed") ? [{ ...conductor, from: ends.to, to: ends.from }] : [{ ...conductor, ...ends }];
  }

  private faultyScan(): ScanTable {
    const { scan, conductors } = this.base;
    const alive = (line: string) => (this.deadLines.has(line) ? `dead ${line}` : line);
    const lines = (all: string[]) => (this.deadLines.size === 0 ? all : all.map(alive));
    const isSound = this.touched.size + this.cutNets.size + this.leads.size + this.deadLines.size === 0;
    const own = isSound ? scan.conductors : conductors.flatMap((one) => this.conductorOf(one));
    return {
      ...scan,
      strobeLines: lines(scan.strobeLines),
      senseLines: lines(scan.senseLines),
      conductors: [...own, ...this.added()],
    };
  }

  /** Supply and ground touch, or the controller is dead: nothing starts. */
  get isOff(): boolean {
    return this.isShorted || this.faults.some(({ kind }) => kind === "dead");
  }

  /** Supply and ground touch. */
  get isShorted(): boolean {
    const role = (id: string) => this.base.assembled.nets.get(id)!.net.role;
    return this.faults.some(
      (fault) => fault.kind === "short" && [fault.netA, fault.netB].map(role).sort().join() === "ground,supply",
    );
  }

  private atRest: Set<string> | null = null;

  /** What is told while nothing is touched. */
  seenAtRest(): Set<string> {
    return (this.atRest ??= this.seen([]));
  }

  /** Elements that the scan tells as pressed while these contacts are held. */
  seen(held: Iterable<string>): Set<string> {
    const { scan, world, words } = this;
    if (this.isOff) return new Set();
    const contacts = [...held];
    for (const contact of contacts) world.set(contact, true);
    world.answer(words, this.base.stride);
    const seen = new Set<string>();
    for (const { strobe, bank, cells } of scan.groups) {
      const word = words[(strobe === null ? 0 : strobe + 1) * this.base.stride + bank];
      for (let line = 0; line < BANK_LINES; line++) {
        const cell = cells[line];
        if (cell !== null && !(word & (1 << line))) seen.add(scan.switches[cell]);
      }
    }
    for (const contact of contacts) world.set(contact, false);
    if (scan.ladders.length > 0) this.seeRungs(new Set(contacts), seen);
    return seen;
  }

  /** Whether a net's lead is on another net's pad. */
  isElsewhere(netId: string): boolean {
    return this.leads.has(netId);
  }

  /** Which of an encoder's two lines are low while these contacts are closed. */
  linesLow(held: string[], { lineA, lineB }: { lineA: number; lineB: number }): { A: boolean; B: boolean } {
    for (const contact of held) this.world.set(contact, true);
    this.world.answer(this.words, this.base.stride);
    for (const contact of held) this.world.set(contact, false);
    const isLow = (line: number) => !(this.words[line >> 4] & (1 << (line & 15)));
    return { A: isLow(lineA), B: isLow(lineB) };
  }

  /** What ladders tell, by the voltage of their real resistors and wires. */
  private seeRungs(held: ReadonlySet<string>, seen: Set<string>) {
    const closed = new Set([...held, ...this.stuck()]);
    for (const bank of this.scan.ladders) {
      for (const rung of bank.rungs) seen.delete(rung);
      if (!bank.rungs.some((rung) => closed.has(rung)) && this.shorts().length === 0) continue;
      const level = this.levelOf(bank.line, bank.top, closed);
      const told = level === null ? null : rungTold(bank, level);
      if (told !== null) seen.add(bank.rungs[told]);
    }
  }

  /** The level of a line with one net powered, as a part of the supply; null while nothing holds it. */
  private levelOf(line: string, top: string, closed: ReadonlySet<string>): number | null {
    const { assembled } = this.base;
    const net = assembled.nets.get(line);
    if (!net || net.root === null || this.deadLines.has(line)) return null;
    if (this.isCut(net) && ![...net.places.values()].some(({ lump }) => this.isRooted(net, lump))) return null;
    const held = new Map([[top, 1], ...groundsOf(assembled)]);
    const levels = ladderLevelsOf(assembled.design);
    return levels.levelOf(line, this.ladderResistors(line), this.ladderContacts(closed), held);
  }

  /** The node that a contact's joints leave it on: its net, or the piece of it that is cut off; null where they are open. */
  private nodeOf(netId: string, contactId: string): Node | null {
    const net = this.base.assembled.nets.get(netId);
    const place = net?.places.get(contactId);
    if (!net || !place || !this.isSound(place)) return null;
    return this.isRooted(net, place.lump) ? netId : this.groupsOf(net).find(place.lump);
  }

  /** Closed contacts, and what touches. */
  private ladderContacts(closed: ReadonlySet<string>): Branch[] {
    const { design, contactsOf } = this.base.assembled;
    const { elements } = derive(design);
    const branches: Branch[] = [];
    for (const id of closed) {
      if (elements.get(id)?.kind !== "switch") continue;
      const [a, b] = (contactsOf.get(id) ?? []).map((end) => this.nodeOf(end.netId, end.contactId));
      if (a && b) branches.push({ a, b, ohm: CONTACT_OHM });
    }
    for (const fault of this.faults)
      if (fault.kind === "short") branches.push({ a: fault.netA, b: fault.netB, ohm: CONTACT_OHM });
    return branches;
  }

  private readonly resistors = new Map<string, { branches: Branch[]; name: number }>();

  /** Resistors of a ladder where this device's joints leave them: the same whatever is held. */
  private ladderResistors(line: string): { branches: Branch[]; name: number } {
    const { design } = this.base.assembled;
    let known = this.resistors.get(line);
    if (!known) {
      const circuit = line.slice(0, line.lastIndexOf(".") + 1);
      const branches = derive(design).shunts.flatMap(({ id, value, from, to }) => {
        if (!id.startsWith(circuit)) return [];
        const [a, b] = [this.nodeOf(from, `${id}.1`), this.nodeOf(to, `${id}.2`)];
        return a && b ? [{ a, b, ohm: shuntOhm(value) ?? 0 }] : [];
      });
      known = { branches, name: ladderLevelsOf(design).nameOf(branches) };
      this.resistors.set(line, known);
    }
    return known;
  }
}

/** A closed contact (from memory: some hundredths of an ohm to half of one). */
export const CONTACT_OHM = 0.1;

const groundsOf = ({ nets }: Assembled): [string, number][] =>
  [...nets.values()].filter(({ net }) => net.role === "ground").map(({ net }) => [net.id, 0]);

function isBent(bond: Bond | undefined, { at, boardId }: Bend): boolean {
  if (!bond || bond.boardId !== boardId) return false;
  return Math.min(distanceMm(bond.aAt, at), distanceMm(bond.bAt, at)) <= BEND_MM;
}
