import { type Point, point } from "../geometry/point";
import { type Chip, type Terminal, terminalPlace } from "./chip";
import type { ChipPlaces, BuiltCircuit, InlinePart, Shunt } from "./circuitKind";
import {
  GROUND,
  type Net,
  type NetRole,
  type PinNeed,
  type PlacedElement,
  RAIL_3V3,
  RAIL_5V,
  SUPPLY,
  jointOf,
  ownNet,
} from "./net";

/** Collects the nets and parts of one circuit; asking for a net twice gives the same net. */
export class CircuitBuilder {
  readonly built: BuiltCircuit = {
    nets: [],
    conductors: [],
    groups: [],
    encoders: [],
    lamps: [],
    outputs: [],
    chains: [],
    segments: [],
    displays: [],
    chips: [],
    inline: [],
    shunts: [],
    ladders: [],
    access: {},
    reading: { settles: 0, fixedUs: 0 },
  };
  private readonly byId = new Map<string, Net>();

  readonly circuitId: string;
  private readonly controllerId: string | undefined;

  constructor(
    { id, controllerId }: { id: string; controllerId?: string | undefined },
    private readonly places: ChipPlaces = {},
  ) {
    this.circuitId = id;
    this.controllerId = controllerId;
  }

  net(id: string, flag: string, role: NetRole, need: PinNeed | null, more: Partial<Net> = {}): Net {
    let net = this.byId.get(id);
    if (!net) {
      net = { id, flag, role, need, joints: [], ...more };
      this.byId.set(id, net);
      this.built.nets.push(net);
    }
    return net;
  }

  /** What circuits of one controller share, and each controller has for itself: a rail, ground, a bus. */
  sharedId(id: string): string {
    return ownNet(id, this.controllerId);
  }

  /** A net of this circuit alone. */
  own(name: string, role: NetRole, need: PinNeed | null, more: Partial<Net> = {}): Net {
    return this.net(`${this.circuitId}.${name}`, `${this.circuitId.toUpperCase()} ${name}`, role, need, more);
  }

  get ground(): Net {
    return this.net(this.sharedId(GROUND), "GND", "ground", null);
  }

  /** The logic's own voltage. */
  get supply(): Net {
    return this.net(this.sharedId(SUPPLY), "V+", "supply", null);
  }

  get fiveVolt(): Net {
    return this.net(this.sharedId(RAIL_5V), "5V", "supply", null);
  }

  get threeVolt(): Net {
    return this.net(this.sharedId(RAIL_3V3), "3V3", "supply", null);
  }

  joint(net: Net, element: PlacedElement, contact: number): Net {
    net.joints.push(jointOf(element, contact));
    return net;
  }

  /** A contact on a net through a diode or resistor of its own. */
  inline(sort: InlinePart["sort"], net: Net, element: PlacedElement, contact: number, onContact?: "anode" | "cathode") {
    this.joint(net, element, contact);
    this.built.inline.push({
      sort,
      elementId: element.id,
      contactId: element.contacts[contact].id,
      netId: net.id,
      ...(onContact ? { onContact } : {}),
    });
  }

  /** A resistor or diode between two nets; `name` tells it from others of the circuit. */
  shunt(name: string, sort: Shunt["sort"], value: string, from: Net, to: Net, at: Point) {
    this.sharedShunt(`${this.circuitId}.${name}`, sort, value, from, to, at);
  }

  /** One that several circuits name alike stands once in the design. */
  sharedShunt(id: string, sort: Shunt["sort"], value: string, from: Net, to: Net, at: Point) {
    this.built.shunts.push({ id, sort, value, from: from.id, to: to.id, at });
    from.joints.push({ contactId: `${id}.1`, elementId: "", controlId: id, at });
    to.joints.push({ contactId: `${id}.2`, elementId: "", controlId: id, at });
  }

  /** Adds a part whose terminals lie on nets that exist; by default it lies among what it serves. */
  chip(
    name: string,
    title: string,
    part: Chip["part"],
    terminals: [string, Net | null][],
    usual: Point,
    label = name,
  ): Chip {
    const id = `${this.circuitId}.${name}`;
    const ends: Terminal[] = terminals.map(([end, net]) => ({ name: end, netId: net?.id ?? null }));
    const chip: Chip = { id, label, title, part, at: this.places[id] ?? usual, terminals: ends };
    terminals.forEach(([end, net], nth) =>
      net?.joints.push({ contactId: `${id}.${end}`, elementId: "", controlId: id, at: terminalPlace(chip, nth) }),
    );
    this.built.chips.push(chip);
    return chip;
  }
}

/** The middle of what an added part serves, to a tenth of a millimetre. */
export function middleOf(elements: PlacedElement[]): Point {
  const all = elements.flatMap(({ contacts }) => contacts.map(({ at }) => at));
  if (all.length === 0) return point(0, 0);
  const mean = (pick: (p: Point) => number) =>
    Math.round((all.reduce((sum, p) => sum + pick(p), 0) / all.length) * 10) / 10;
  return point(
    mean((p) => p.xMm),
    mean((p) => p.yMm),
  );
}

/** The elements of a list of ids that are there, in that order. */
export const present = (ids: string[], elements: Map<string, PlacedElement>): PlacedElement[] =>
  ids.flatMap((id) => elements.get(id) ?? []);
