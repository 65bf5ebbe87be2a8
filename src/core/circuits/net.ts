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
  analog: boolean;
  pwm: boolean;
  /** A line of one of the chip's own bus controllers. */
  bus: { bus: "i2c" | "spi" | "uart"; line: string } | null;
}

export type NetRole =
  "row" | "column" | "switch" | "quadrature-a" | "quadrature-b" | "lamp" | "analog" | "output" | "ground";

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

const noNeed: PinNeed = {
  input: false,
  output: false,
  pullUp: false,
  interrupt: false,
  analog: false,
  pwm: false,
  bus: null,
};
export const inputNeed: PinNeed = { ...noNeed, input: true, pullUp: true };
export const outputNeed: PinNeed = { ...noNeed, output: true };
export const analogNeed: PinNeed = { ...noNeed, analog: true };
export const pwmNeed: PinNeed = { ...noNeed, output: true, pwm: true };
export const busNeed = (bus: NonNullable<PinNeed["bus"]>["bus"], line: string): PinNeed => ({
  ...noNeed,
  bus: { bus, line },
});

export const tapOf = (element: PlacedElement, contact: number): Tap => ({
  contactId: element.contacts[contact].id,
  elementId: element.id,
  controlId: element.controlId,
  at: element.contacts[contact].at,
});
