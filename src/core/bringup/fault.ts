import type { Point } from "../geometry/point";
import type { Node } from "./assembled";

/** What can be wrong with a built device. Bonds, nets, contacts and elements are named by their ids. */
export type Fault =
  /** No current passes: a joint not soldered, a wire broken, a part not there, a pin that is dead. */
  | { kind: "open"; bond: string }
  /** A joint that lets go while the board is bent where it lies. */
  | { kind: "cold"; bond: string }
  /** A diode the wrong way round. */
  | { kind: "reversed"; bond: string }
  /** A diode that conducts both ways. */
  | { kind: "bridged"; bond: string }
  | { kind: "short"; netA: string; netB: string }
  /** Two leads on each other's pads. */
  | { kind: "swapped"; netA: string; netB: string }
  /** A lead on a pad that nothing else uses. */
  | { kind: "misplaced"; net: string; pad: Node }
  /** A contact that stays closed. */
  | { kind: "stuck"; contact: string }
  /** A contact that bounces for longer than the firmware waits. */
  | { kind: "bounce"; elementId: string }
  /** A lamp, light or display that shows nothing, although it is joined. */
  | { kind: "dark"; elementId: string }
  /** A lamp or sounder put in the wrong way round. */
  | { kind: "turned"; elementId: string }
  /** A knob of another sort: twice as many states between two felt steps. */
  | { kind: "other-part"; elementId: string }
  /** A controller that does not start. */
  | { kind: "dead" }
  /** All lights at once pull the supply down, and the controller starts anew. */
  | { kind: "dip" };

/** Where a board is bent. */
export interface Bend {
  at: Point;
  boardId: string;
}

/** So far a board that is bent moves its joints (from memory: a plate of 1.5 mm, two hands). */
export const BEND_MM = 35;
