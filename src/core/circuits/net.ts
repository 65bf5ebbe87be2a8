import type { Element } from "../catalogue/kinds/controlKind";
import type { Point } from "../layout/point";

/** An element whose contacts have their places on the mat. */
export type PlacedElement = Element;

/** Where a wire of a net ends: a contact of a control, on the mat. */
export interface Tap {
  contactId: string;
  elementId: string;
  controlId: string;
  at: Point;
}

/** What a pin must be able to do to serve a net. `interrupt` is a wish, the rest are musts. */
export interface PinNeed {
  input: boolean;
  output: boolean;
  pullUp: boolean;
  interrupt: boolean;
}

export type NetRole = "row" | "column" | "switch" | "quadrature-a" | "quadrature-b" | "lamp" | "ground";

/** Wires that are electrically one. Ground needs no I/O pin, so its `need` is null. */
export interface Net {
  id: string;
  /** The short name on the net's flag: R3, C5, E1 A. */
  flag: string;
  role: NetRole;
  need: PinNeed | null;
  taps: Tap[];
}

export const GROUND = "GND";

export const inputNeed: PinNeed = { input: true, output: false, pullUp: true, interrupt: false };
export const outputNeed: PinNeed = { input: false, output: true, pullUp: false, interrupt: false };

export const tapOf = (element: PlacedElement, contact: number): Tap => ({
  contactId: element.contacts[contact].id,
  elementId: element.id,
  controlId: element.controlId,
  at: element.contacts[contact].at,
});
