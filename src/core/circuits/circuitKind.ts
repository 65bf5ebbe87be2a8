import type { Schema } from "../schema";
import type { Element } from "../catalogue/kinds/controlKind";
import type { Net, PlacedElement } from "./net";

/** What every circuit has. */
export interface CircuitBase {
  id: string;
  kind: string;
  name: string;
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

/** All that a circuit means electrically. */
export interface CircuitPlan {
  nets: Net[];
  conductors: Conductor[];
  groups: ScanGroup[];
  encoders: ScannedEncoder[];
  lamps: { elementId: string; net: string }[];
  /** Parts that the circuit adds, for the parts count. */
  diodes: number;
  resistors: number;
}

/** One kind of circuit. A new kind is one file that exports this, and one line in the registry. */
export interface CircuitKind<C extends CircuitBase> {
  kind: C["kind"];
  title: string;
  schema: Schema<C>;
  takes(element: Element): boolean;
  members(circuit: C): string[];
  /** The circuit without an element; it may not have held it. */
  without(circuit: C, elementId: string): C;
  plan(circuit: C, elements: Map<string, PlacedElement>): CircuitPlan;
}
