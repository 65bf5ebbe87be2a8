import type { Element } from "../catalogue/kinds/controlKind";
import type { Point } from "../geometry/point";

/** An element whose contacts have their places on the mat. */
export type PlacedElement = Element;

/** Where a wire of a net ends: a contact of a control or, with an empty element, an end of an added part. */
export interface Joint {
  contactId: string;
  elementId: string;
  /** The control, or the added part. */
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
  | "row"
  | "column"
  | "switch"
  | "quadrature-a"
  | "quadrature-b"
  | "lamp"
  | "analog"
  | "output"
  /** Driven and read in turn. */
  | "line"
  | "clock"
  | "latch"
  | "data"
  | "select"
  | "enable"
  | "interrupt"
  | "bus"
  /** The supply of a ladder bank, switched by a pin. */
  | "bank"
  /** From one part of a chain to the next. */
  | "chain"
  | "supply"
  | "ground";

/** Wires that are electrically one. What ends on no I/O pin (ground, a branch to an added part) has no `need`. */
export interface Net {
  id: string;
  /** The short name on the net's flag: R3, C5, E1 A. */
  flag: string;
  role: NetRole;
  need: PinNeed | null;
  joints: Joint[];
  /** The controller whose pin it wants; null while there is none. Circuits leave it out: it is known once they are joined. */
  controllerId?: string | null;
  /** The bus whose lines must share one bus controller of the chip. */
  busId?: string;
  /** What gives an input its level while no contact does: an added resistor, or the part that drives it. */
  heldBy?: "resistor" | "part";
}

export const GROUND = "GND";
/** The voltage of the controller's own logic: what pull-ups, registers and measured voltages hang on. */
export const SUPPLY = "V+";
/** Rails of parts that want their own voltage, whatever the controller's is. */
export const RAIL_5V = "5V";
export const RAIL_3V3 = "3V3";
/** The module's own 5 V, where a jumper stands between it and the 5 V rail. */
export const RAIL_BOARD_5V = "board 5V";
/** Where an outside source or a battery enters the module. */
export const RAIL_IN = "IN+";
/** All rails, and what they carry; null is the logic's voltage. */
export const rails: { id: string; volts: number | null }[] = [
  { id: SUPPLY, volts: null },
  { id: RAIL_5V, volts: 5 },
  { id: RAIL_3V3, volts: 3.3 },
  { id: RAIL_BOARD_5V, volts: 5 },
];

/** A rail, ground or bus of a controller beside the main one: each has its own. */
export const ownNet = (id: string, controllerId: string | undefined): string =>
  controllerId === undefined ? id : `${id}@${controllerId}`;
/** The same of a net by its name on a device of one controller; what no other circuit shares keeps its name. */
export function farNet(id: string, controllerId: string): string {
  const [, bus, line] = /^((?:i2c|spi)\d)(\..*)$/.exec(id) ?? [];
  if (bus) return `${ownNet(bus, controllerId)}${line}`;
  return POWER.includes(id) ? ownNet(id, controllerId) : id;
}
/** As it is called on a device of one controller. */
export const plainNet = (id: string): string => id.replace(/@[^.]*/, "");

/** Rails, where they come from, and ground: the nets that circuits share. */
export const POWER: readonly string[] = [RAIL_IN, ...rails.map(({ id }) => id), GROUND];

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
/** A line that something outside the pin holds or drives. */
export const readNeed: PinNeed = { ...noNeed, input: true };
export const lineNeed: PinNeed = { ...noNeed, input: true, pullUp: true, output: true };
export const interruptNeed: PinNeed = { ...noNeed, input: true, pullUp: true, interrupt: true };
export const outputNeed: PinNeed = { ...noNeed, output: true };
export const analogNeed: PinNeed = { ...noNeed, analog: true };
export const pwmNeed: PinNeed = { ...noNeed, output: true, pwm: true };
export const busNeed = (bus: NonNullable<PinNeed["bus"]>["bus"], line: string): PinNeed => ({
  ...noNeed,
  bus: { bus, line },
});

export const jointOf = (element: PlacedElement, contact: number): Joint => ({
  contactId: element.contacts[contact].id,
  elementId: element.id,
  controlId: element.controlId,
  at: element.contacts[contact].at,
});
