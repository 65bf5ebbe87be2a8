import { type Schema, text, between, z } from "../../schema";
import type { Outline } from "../../layout/outline";
import type { Point } from "../../layout/point";

export const idSchema = z
  .string()
  .check(z.regex(/^[A-Za-z0-9_-]{1,40}$/, "an id is 1 to 40 letters, digits, hyphens or underscores"));

/** Where a part lies: its centre on the mat in mm, turned clockwise in degrees, and the board that carries it. */
export const placementSchema = z.strictObject({
  xMm: between(-2000, 2000),
  yMm: between(-2000, 2000),
  rotationDeg: between(-360, 360),
  boardId: idSchema,
});
export type Placement = z.infer<typeof placementSchema>;

/** What every control has. */
export const controlFields = {
  id: idSchema,
  label: text(1, 40),
  placement: placementSchema,
};

/** What every control has, as a type; a kind adds its own fields. */
export interface ControlBase {
  id: string;
  kind: string;
  label: string;
  placement: Placement;
}

/** Horizontal and vertical distance of one key unit in mm. */
export interface Pitch {
  xMm: number;
  yMm: number;
}

/** One electrical end of a control. `at` is relative to the control's centre. */
export interface Contact {
  id: string;
  name: string;
  at: Point;
}

/**
 * One electrical element of a control: a switch (two ends), a quadrature pair (A, B, common) or a lamp (anode,
 * cathode). Circuits connect elements; an element belongs to exactly one circuit.
 */
export interface Element {
  id: string;
  controlId: string;
  kind: "switch" | "quadrature" | "lamp";
  label: string;
  contacts: Contact[];
  /** Of what turns: quadrature states between two felt steps, and felt steps in a turn. */
  turning?: { statesPerStep: number; stepsPerTurn: number };
}

/** Something the hand can do that a keymap can bind. */
export interface ControlInput {
  id: string;
  controlId: string;
  elementId: string;
  motion: "press" | "clockwise" | "anticlockwise";
  label: string;
}

/** All that the program knows about one kind of control. A new kind is one file that exports this, and one line. */
export interface ControlKind<C extends ControlBase> {
  kind: C["kind"];
  title: string;
  /** The title in a sentence: "a key", "an encoder". */
  article: string;
  /** First letter of automatic labels. */
  prefix: string;
  schema: Schema<C>;
  fresh(id: string, label: string, placement: Placement): C;
  /** What a finger touches or an eye sees, about the control's centre. */
  cap(control: C, pitch: Pitch): Outline;
  /** The part's body at the level of the plate, about the control's centre. */
  body(control: C): Outline;
  elements(control: C): Element[];
  inputs(control: C): ControlInput[];
  /** A few words on its size for lists. */
  describe(control: C): string;
}

const switchEnds = (controlId: string, first: string, second: string, at: [Point, Point]): Contact[] => [
  { id: `${controlId}.${first}`, name: first, at: at[0] },
  { id: `${controlId}.${second}`, name: second, at: at[1] },
];

/** The element and input of a plain two-ended switch. */
export function pressOf(control: ControlBase, label: string, ends: [string, string], at: [Point, Point]) {
  const id = `${control.id}:press`;
  const element: Element = {
    id,
    controlId: control.id,
    kind: "switch",
    label,
    contacts: switchEnds(control.id, ends[0], ends[1], at),
  };
  const input: ControlInput = { id, controlId: control.id, elementId: id, motion: "press", label };
  return { element, input };
}
