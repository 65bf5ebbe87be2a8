import type { DisplayTelling } from "./displayTelling";
import type { LineAccess } from "./lineAccess";
import type { Schema } from "../schema";
import type { Element } from "../catalogue/kinds/controlKind";
import type { Point } from "../geometry/point";
import type { Chip } from "./chip";
import type { Net, PlacedElement } from "./net";

/** What every circuit has. */
export interface CircuitBase {
  id: string;
  kind: string;
  name: string;
  /** The controller that its lines go to, where that is not the main one. */
  controllerId?: string | undefined;
}

/**
 * A way current can take while a contact is closed: between two nets, or from a net to ground. With a diode it
 * flows from `from` to `to` only. `contact` is the element's id, with /A or /B for a quadrature pair.
 */
export interface Conductor {
  contact: string;
  from: string;
  to: string;
  diode: boolean;
}

/** How the firmware reads the circuit: strobe one net (or none), then sense others, each telling of one switch. */
export interface ScanGroup {
  strobeNet: string | null;
  cells: { senseNet: string; elementId: string }[];
}

/** One encoder as the firmware reads it. */
export interface ScannedEncoder {
  elementId: string;
  netA: string;
  netB: string;
  statesPerStep: number;
}

/** A diode or resistor in the lead between a contact and its net. */
export interface InlinePart {
  sort: "diode" | "resistor";
  elementId: string;
  contactId: string;
  netId: string;
  /** Which end of a diode is on the contact. */
  onContact?: "anode" | "cathode";
}

/** A resistor or diode between two nets, at one place: a pull-up, a ladder's resistor, a base resistor. */
export interface Shunt {
  /** The same id in two circuits is the same part: the pull-ups of a bus that they share. */
  id: string;
  sort: "resistor" | "diode";
  /** What is printed on it: "10 kΩ", "1N4148". */
  value: string;
  /** From the anode to the cathode of a diode. */
  from: string;
  to: string;
  at: Point;
}

/** Contacts whose closing shifts one voltage; at most one of them is told at a time. */
export interface LadderBank {
  /** The line it is read on, and the net that powers it. */
  line: string;
  top: string;
  /** Element ids from the lowest rung to the highest. */
  rungs: string[];
  /** From ground up: the nth stands beneath the nth rung; the highest rung is the top. */
  rungOhms: number[];
  pullDownOhm: number;
}

/** Addressable lights on one line, in the order of their indices, and what they must keep to. */
export interface BuiltChain {
  circuitId: string;
  net: string;
  /** Element ids; bridged ones are not among them. */
  lights: string[];
  brightnessPercent: number;
  colours: number;
  mostLit: number | null;
}

/** A chain of segment drivers: its pins, and the displays in the order in which data reach them. */
export interface BuiltSegments {
  circuitId: string;
  data: string;
  clock: string;
  select: string;
  /** Element ids. */
  displays: string[];
  /** What every driver is told at the start. */
  start: readonly { register: number; value: number }[];
}

/** A display of dots on a two-wire bus. */
export interface BuiltDisplay {
  elementId: string;
  scl: string;
  sda: string;
  address: number;
  /** The bus multiplexer that it hangs on, and its branch there. */
  behind: { address: number; branch: number } | null;
  /** Null: as usual for its height (usualTelling). */
  told: DisplayTelling | null;
}

/** All that a circuit means electrically. */
export interface BuiltCircuit {
  nets: Net[];
  conductors: Conductor[];
  groups: ScanGroup[];
  encoders: ScannedEncoder[];
  lamps: { elementId: string; net: string }[];
  /** Motors and sounders: switched as lamps are. */
  outputs: { elementId: string; net: string }[];
  chains: BuiltChain[];
  segments: BuiltSegments[];
  displays: BuiltDisplay[];
  chips: Chip[];
  inline: InlinePart[];
  shunts: Shunt[];
  ladders: LadderBank[];
  /** By line: how the firmware gets at one that is no plain pin. */
  access: Record<string, LineAccess>;
  /** One whole reading: how often lines must settle, and what shifting and converting add. */
  reading: { settles: number; fixedUs: number };
}

/** Where the person put added parts, by their id. */
export type ChipPlaces = Record<string, Point>;

/** One kind of circuit. A new kind is one file that exports this, and one line in the registry. */
export interface CircuitKind<C extends CircuitBase> {
  kind: C["kind"];
  /** What ids and flags of its circuits begin with. */
  stem: string;
  title: string;
  /** What it is good for and what it costs, in one sentence. */
  purpose: string;
  schema: Schema<C>;
  fresh(id: string, name: string): C;
  accepts(element: Element): boolean;
  members(circuit: C): string[];
  /** The circuit with elements added at its end; none of them is in it yet. */
  with(circuit: C, elementIds: string[]): C;
  /** The circuit without an element; it may not have held it. */
  without(circuit: C, elementId: string): C;
  /** Lines of one added part, where members can be ordered by place to keep its branches short. */
  partLines?(circuit: C): number;
  build(circuit: C, elements: Map<string, PlacedElement>, places: ChipPlaces): BuiltCircuit;
}
