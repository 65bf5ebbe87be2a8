import { type Net, type Joint } from "../circuits/net";
import type { InlinePart, Shunt } from "../circuits/circuitKind";
import { derive } from "../derived/derive";
import { boardWayOf } from "../document/buildSettings";
import type { Design } from "../document/schema";
import { wireOhm } from "../electrics/copper";
import { ohmOf } from "../electrics/ohmWords";
import { type Point, distanceMm } from "../geometry/point";
import { inlineKey } from "../wires/partNames";
import { type Wire, type WireEnd, chipWords, isPad, wiresOf } from "../wires/wires";

/** A piece of metal that a meter's tip can be held on, by name. */
export type Node = string;

/** A soldered joint; a wire or the copper of a made board; a small part in a lead; the way from a pad into the chip. */
export type BondSort = "joint" | "wire" | "track" | "diode" | "resistor" | "pin";

/** What joins two pieces of metal. */
export interface Bond {
  id: string;
  sort: BondSort;
  netId: string;
  a: Node;
  b: Node;
  /** Both ends on the mat. */
  aAt: Point;
  bAt: Point;
  boardId: string;
  /** As a colleague would name it. */
  words: string;
  ohm: number;
  /** Of a diode: the end that current enters by. */
  anode?: Node;
  /** What is nearest to it: the control, if it is one's own. */
  controlId: string | null;
}

/** Where a contact reaches its net: its metal, its own joints and small part, and the lump of solder that wires meet in. */
export interface Place {
  contactId: string;
  elementId: string;
  ownerId: string;
  metal: Node;
  lump: Node;
  own: Bond[];
  at: Point;
}

/** A net as it is put together. */
export interface AssembledNet {
  net: Net;
  places: Map<string, Place>;
  /** Wires from lump to lump, leads, joints at pads, and the way into the chip. */
  trunk: Bond[];
  /** Where the firmware, or supply and ground, get at it; null while it leads nowhere. */
  root: Node | null;
  /** The pad of the module, with the name of its pin. */
  pad: { node: Node; name: string; at: Point } | null;
}

/** A device as it is put together: every net with its joints, wires and small parts. */
export interface Assembled {
  design: Design;
  nets: Map<string, AssembledNet>;
  /** By element: its contacts in their order, each with its net. */
  contactsOf: Map<string, { netId: string; contactId: string }[]>;
  bonds: Map<string, Bond>;
  /** Words of nodes. */
  names: Map<Node, string>;
  places: Map<Node, Point>;
}

/** A clean soldered joint is far less than a meter tells; so much is assumed (from memory). */
const JOINT_OHM = 0.02;
/** A track of a made board, 0.25 mm wide, 35 µm thick: its section in mm². */
const TRACK_MM2 = 0.25 * 0.035;
/** Nearer than this, parts are joined by a lead of their own and no wire is cut. */
const OWN_LEAD_MM = 0.5;
/** Of an in-line resistor whose value the circuit does not say; what a lamp usually has (from memory). */
const USUAL_OHM = 330;

/** How the joints of a design are named; worked out once. */
export const assembledOf = (design: Design): Assembled =>
  derive(design).once("assembled", () => new Assembly(design).assembled);

class Assembly {
  readonly assembled: Assembled;
  private readonly wires: Map<string, Wire[]>;
  private readonly inlines: Map<string, InlinePart>;

  constructor(private readonly design: Design) {
    const { nets, builtCircuits, elements } = derive(design);
    this.assembled = {
      design,
      nets: new Map(),
      contactsOf: new Map([...elements.keys()].map((id) => [id, []])),
      bonds: new Map(),
      names: new Map(),
      places: new Map(),
    };
    this.wires = new Map();
    for (const wire of wiresOf(design)) this.wires.set(wire.netId, [...(this.wires.get(wire.netId) ?? []), wire]);
    this.inlines = new Map(builtCircuits.flatMap(({ inline }) => inline.map((one) => [inlineKey(one), one])));
    for (const net of nets) this.assembled.nets.set(net.id, this.assemble(net));
    this.orderContacts();
  }

  /** Contacts of an element stand in the element's own order, whatever the order of the nets. */
  private orderContacts() {
    const { elements } = derive(this.design);
    for (const [id, list] of this.assembled.contactsOf) {
      const order = elements.get(id)!.contacts.map((contact) => contact.id);
      list.sort((one, other) => order.indexOf(one.contactId) - order.indexOf(other.contactId));
    }
  }

  private assemble(net: Net): AssembledNet {
    const places = new Map(net.joints.map((joint) => [joint.contactId, this.placeOf(net, joint)]));
    const wires = this.wires.get(net.id) ?? [];
    const trunk = wires.flatMap((wire) => this.wireBonds(net, wire, places));
    trunk.push(...this.ownLeads(net, [...places.values()], trunk));
    const padEnd = wires.flatMap(({ from, to }) => [from, to]).find(isPad);
    const pad = padEnd ? { node: padEnd.id, name: padEnd.id.replace(/^pin /, ""), at: padEnd.at } : null;
    const inside = trunk.find(({ sort }) => sort === "pin");
    const begins = pad ? null : this.beginningOf(net, [...places.values()]);
    // What an added part or a resistor drives begins at its metal: its own joint is part of the way.
    if (begins) trunk.push(...begins.own);
    const root = inside?.b ?? pad?.node ?? begins?.metal ?? null;
    return { net, places, trunk, root, pad };
  }

  private add(bond: Bond): Bond {
    this.assembled.bonds.set(bond.id, bond);
    return bond;
  }

  private nameNode(node: Node, words: string, at: Point): Node {
    if (!this.assembled.names.has(node)) {
      this.assembled.names.set(node, words);
      this.assembled.places.set(node, at);
    }
    return node;
  }

  /** "K17", or "E1 push" where a control has several ends; "MUX U2 Y3" of an added part. */
  private ownerWords({ elementId, controlId, contactId }: Joint): string {
    const { elements, chipById, shuntById } = derive(this.design);
    const end = contactId.slice(contactId.lastIndexOf(".") + 1);
    const element = elements.get(elementId);
    if (element) return element.contacts.length > 2 ? `${element.label} ${end}` : element.label;
    const chip = chipById.get(controlId);
    const shunt = shuntById.get(controlId);
    return shunt ? `the ${shunt.value} ${shunt.sort}` : `${chip ? chipWords(chip) : controlId} ${end}`;
  }

  private boardOf({ controlId }: Joint): string {
    return derive(this.design).controls.get(controlId)?.placement.boardId ?? this.design.boards[0].id;
  }

  private placeOf(net: Net, joint: Joint): Place {
    const { contactId, elementId, controlId, at } = joint;
    const who = this.ownerWords(joint);
    const metal = this.nameNode(contactId, `${who}${elementId === "" ? "" : ` contact ${lastOf(contactId)}`}`, at);
    const lump = this.nameNode(`${net.id}|${contactId}`, `${net.flag} at ${who}`, at);
    const own = this.ownBonds(net, joint, who, metal, lump);
    this.assembled.contactsOf.get(elementId)?.push({ netId: net.id, contactId });
    return { contactId, elementId, ownerId: controlId, metal, lump, own, at };
  }

  private ownBonds(net: Net, joint: Joint, who: string, metal: Node, lump: Node): Bond[] {
    const { contactId, controlId, at } = joint;
    const base = { netId: net.id, aAt: at, bAt: at, boardId: this.boardOf(joint), controlId };
    const bond = (sort: BondSort, name: string, a: Node, b: Node, words: string, ohm: number, anode?: Node): Bond =>
      this.add({ ...base, id: `${lump}|${name}`, sort, a, b, words, ohm, ...(anode ? { anode } : {}) });
    const inline = this.inlines.get(inlineKey({ contactId, netId: net.id }));
    if (!inline) return [bond("joint", "joint", metal, lump, `the joint of ${net.flag} at ${who}`, JOINT_OHM)];
    const { sort, onContact } = inline;
    const near = this.nameNode(`${lump}|near`, `the ${sort}'s lead at ${who}`, at);
    const far = this.nameNode(`${lump}|far`, `the ${sort}'s lead at ${net.flag} by ${who}`, at);
    const ohm = sort === "resistor" ? USUAL_OHM : 0;
    const anode = sort === "diode" ? (onContact === "cathode" ? far : near) : undefined;
    return [
      bond("joint", "near joint", metal, near, `the joint of ${who} and its ${sort}`, JOINT_OHM),
      bond(sort, sort, near, far, `the ${sort} of ${who}`, ohm, anode),
      bond("joint", "far joint", far, lump, `the joint of ${who}'s ${sort} on ${net.flag}`, JOINT_OHM),
    ];
  }

  /** A wire, and at a pad of the module its joint and the way into the chip. */
  private wireBonds(net: Net, wire: Wire, places: Map<string, Place>): Bond[] {
    const { from, to } = wire;
    const isMade = from.boardId === to.boardId && boardWayOf(this.design, from.boardId).way === "made-board";
    const ends = [from, to].map((end) => this.endNode(net, end, places));
    const ohm = wireOhm(wire.straightMm, isMade ? TRACK_MM2 : wire.mm2);
    const sort = isMade ? "track" : "wire";
    const path = this.add({
      id: `${wire.key}|${sort}`,
      sort,
      netId: net.id,
      a: ends[0],
      b: ends[1],
      aAt: from.at,
      bAt: to.at,
      boardId: from.boardId,
      words: `the ${sort} of ${net.flag} from ${shortName(from)} to ${shortName(to)}`,
      ohm,
      controlId: null,
    });
    return [path, ...[from, to].filter(isPad).flatMap((pad) => this.padBonds(net, pad))];
  }

  private endNode(net: Net, end: WireEnd, places: Map<string, Place>): Node {
    if (!isPad(end)) return places.get(end.id)!.lump;
    return this.nameNode(`${net.id}|${end.id}`, `the end of ${net.flag}'s lead at ${end.name}`, end.at);
  }

  private padBonds(net: Net, { id, name, at, boardId }: WireEnd): Bond[] {
    const lead = `${net.id}|${id}`;
    if (this.assembled.bonds.has(`${lead}|joint`)) return [];
    const base = { netId: net.id, aAt: at, bAt: at, boardId, controlId: null };
    const metal = this.nameNode(id, name, at);
    const joint = this.add({
      ...base,
      id: `${lead}|joint`,
      sort: "joint",
      a: lead,
      b: metal,
      words: `the joint of ${net.flag} at ${name}`,
      ohm: JOINT_OHM,
    });
    if (!net.need) return [joint];
    const inside = this.add({
      ...base,
      id: `${lead}|pin`,
      sort: "pin",
      a: metal,
      b: `${lead}|inside`,
      words: `${name} of the controller itself`,
      ohm: 0,
    });
    return [joint, inside];
  }

  /** Parts whose ends lie at one place are joined by a lead of their own: what no wire joins yet is joined there. */
  private ownLeads(net: Net, places: Place[], trunk: Bond[]): Bond[] {
    const groups = new Groups();
    for (const { a, b } of trunk) groups.join(a, b);
    const bonds: Bond[] = [];
    places.forEach((place, nth) => {
      for (const other of places.slice(0, nth)) {
        if (groups.same(place.lump, other.lump) || distanceMm(place.at, other.at) > OWN_LEAD_MM) continue;
        groups.join(place.lump, other.lump);
        bonds.push(
          this.add({
            id: `${place.lump}|${other.contactId}|own lead`,
            sort: "joint",
            netId: net.id,
            a: place.lump,
            b: other.lump,
            aAt: place.at,
            bAt: other.at,
            boardId: this.design.boards[0].id,
            words: `the joint of ${net.flag} between ${this.assembled.names.get(place.metal)} and ${this.assembled.names.get(other.metal)}`,
            ohm: JOINT_OHM,
            controlId: null,
          }),
        );
      }
    });
    return bonds;
  }

  /** Where a net without a pad is driven or read: at a resistor in its way, at an added part, else at its first contact. */
  private beginningOf(net: Net, all: Place[]): Place | undefined {
    const { chipById } = derive(this.design);
    const series = seriesShunts(this.design).get(net.id);
    return (
      all.find(({ ownerId }) => ownerId === series?.shunt.id) ??
      all.find(({ ownerId }) => chipById.has(ownerId)) ??
      all[0]
    );
  }
}

const lastOf = (contactId: string) => contactId.slice(contactId.lastIndexOf(".") + 1);
const shortName = ({ name }: WireEnd) => name.replace(/ contact \d+$/, "");

/** By net without a pad: the resistor or diode in its way, and the end of that on a net with one. */
export const seriesShunts = (
  design: Design,
): Map<string, { shunt: Shunt; from: { netId: string; contactId: string } }> =>
  derive(design).once("series shunts", () => {
    const { shunts, netById } = derive(design);
    const count = new Map<string, number>();
    for (const { from, to } of shunts) for (const id of [from, to]) count.set(id, (count.get(id) ?? 0) + 1);
    const isWay = (id: string) => ["chain", "data"].includes(netById.get(id)?.role ?? "") && !netById.get(id)!.need;
    const hasPad = (id: string) => (netById.get(id)?.need ?? null) !== null;
    type Way = [netId: string, { shunt: Shunt; from: { netId: string; contactId: string } }];
    return new Map(
      shunts.flatMap((shunt): Way[] => {
        const { id, from, to } = shunt;
        if (isWay(to) && count.get(to) === 1 && hasPad(from))
          return [[to, { shunt, from: { netId: from, contactId: `${id}.1` } }]];
        if (isWay(from) && count.get(from) === 1 && hasPad(to))
          return [[from, { shunt, from: { netId: to, contactId: `${id}.2` } }]];
        return [];
      }),
    );
  });

/** Which nodes are joined. */
export class Groups {
  private readonly parent = new Map<Node, Node>();

  find(node: Node): Node {
    let root = node;
    for (let up = this.parent.get(root); up !== undefined; up = this.parent.get(root)) root = up;
    if (root !== node) this.parent.set(node, root);
    return root;
  }

  join(a: Node, b: Node): void {
    const [one, other] = [this.find(a), this.find(b)];
    if (one !== other) this.parent.set(one, other);
  }

  same(a: Node, b: Node): boolean {
    return this.find(a) === this.find(b);
  }
}

/** Resistance of a part between two nets, in ohm; null where its words say none. */
export const shuntOhm = (value: string): number | null => ohmOf(value);
