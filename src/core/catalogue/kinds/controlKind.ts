import { type LampColour, lampColours } from "../lampColours";
import { type Schema, text, between, z } from "../../schema";
import type { Part } from "../parts/part";
import { shapeOutline } from "../parts/part";
import type { Outline } from "../../geometry/outline";
import { type Point, point } from "../../geometry/point";

export const idSchema = z
  .string()
  .check(z.regex(/^[A-Za-z0-9_-]{1,40}$/, "an id is 1 to 40 letters, digits, hyphens or underscores"));

/** Where a part lies: its centre on the mat in mm, turned clockwise in degrees, and the board that carries it. */
export const placementSchema = z.strictObject({
  xMm: between(-2000, 2000),
  yMm: between(-2000, 2000),
  rotationDeg: between(-360, 360),
  boardId: idSchema,
  /** Mounted from the solder side, so that its contacts lie mirrored. */
  mirrored: z.optional(z.literal(true)),
});
export type Placement = z.infer<typeof placementSchema>;

/** What every control has. */
export const controlFields = {
  id: idSchema,
  label: text(1, 40),
  placement: placementSchema,
  /** A part of the catalogue or of the design's own. */
  partId: idSchema,
};

/** What every control has, as a type; a kind adds its own fields. */
export interface ControlBase {
  id: string;
  kind: string;
  label: string;
  placement: Placement;
  partId: string;
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
 * The sorts of element: a switch (two ends), a quadrature pair (A, B, common), a lamp (anode, cathode), something
 * with a voltage to read (top, wiper, bottom), a device on a bus, an addressable light (in, out, supply, ground), and
 * something that is switched on (plus, minus).
 */
export type ElementKind = "switch" | "quadrature" | "lamp" | "analog" | "device" | "light" | "output";

/** One electrical element of a control. Circuits connect elements; an element belongs to exactly one circuit. */
export interface Element {
  id: string;
  controlId: string;
  kind: ElementKind;
  /** What it is called within its control: "press", "up", "turn", "inner". */
  end: string;
  label: string;
  contacts: Contact[];
  /** What it takes while it is on, in mA, where that counts. */
  currentMa?: number;
  /** Of a lamp. */
  colour?: LampColour;
  /** Of a wiper: its track from end to end, in ohm. */
  trackOhm?: number;
  /** A contact that stays where it is put. */
  stays?: true;
  /** Of what turns: quadrature states between two felt steps, and felt steps in a turn. */
  turning?: { statesPerStep: number; stepsPerTurn: number };
}

/** Something the hand can do that a keymap can bind. */
export interface ControlInput {
  id: string;
  controlId: string;
  elementId: string;
  /**
   * "back" is a flip back of a contact that stays where it is put; bound to nothing at all it does as the flip. "high" and
   * "low" are an axis beyond its threshold, on either side; they are there when something is bound to them.
   */
  motion: "press" | "clockwise" | "anticlockwise" | "back" | "high" | "low";
  label: string;
  /** Of a contact that stays where it is put: it tells each change by a pulse instead of its state. */
  flips?: true;
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
  /** The part of the catalogue that a fresh one takes. */
  partId: string;
  /** What a finger touches or an eye sees, about the control's centre, in one or more pieces. */
  cap(control: C, pitch: Pitch, part: Part): Outline[];
  /** The part's body at the level of the plate, about the control's centre. */
  body(control: C, part: Part): Outline;
  /** Openings in the plate, about the control's centre; the part's posts come on top. */
  openings(control: C, part: Part): Outline[];
  elements(control: C): Element[];
  inputs(control: C): ControlInput[];
  /**
   * Which of its ends a finger moves at a place, seen from its centre and upright; the first that can be pressed or
   * turned where a kind says nothing. `radiusMm` is how far its cap reaches.
   */
  endAt?(elements: Element[], at: Point, radiusMm: number): Element | undefined;
  /** A few words on its size for lists. */
  describe(control: C): string;
}

/** What most kinds look like: as their part says. */
export const asPart = {
  cap: (_control: unknown, _pitch: Pitch, part: Part) => [shapeOutline(part.cap ?? part.body)],
  body: (_control: unknown, part: Part) => shapeOutline(part.body),
  openings: (_control: unknown, part: Part) => (part.opening ? [shapeOutline(part.opening)] : []),
};

/** Contacts in a straight row at one pitch, centred on the control. */
export function contactRow(controlId: string, names: string[], yMm: number, pitchMm = 2.54): Contact[] {
  const first = (-(names.length - 1) * pitchMm) / 2;
  return names.map((name, nth) => ({
    id: `${controlId}.${name}`,
    name,
    at: point(Math.round((first + nth * pitchMm) * 1000) / 1000, yMm),
  }));
}

/** One switch of a control, with its input; `name` tells several of one control apart. */
export function switchOf(control: ControlBase, name: string, label: string, contacts: Contact[]) {
  const id = `${control.id}:${name}`;
  const element: Element = { id, controlId: control.id, kind: "switch", end: name, label, contacts };
  const input: ControlInput = { id, controlId: control.id, elementId: id, motion: "press", label };
  return { element, input };
}

/** The element and input of a plain two-ended switch. */
export const pressOf = (control: ControlBase, label: string, ends: [string, string], at: [Point, Point]) =>
  switchOf(
    control,
    "press",
    label,
    ends.map((name, nth) => ({ id: `${control.id}.${name}`, name, at: at[nth] })),
  );

/** A quadrature pair of a control and the two inputs of its turning; `name` tells several of one control apart. */
export function turningOf(
  control: ControlBase,
  name: string,
  label: string,
  turning: Required<Element>["turning"],
  contacts: Contact[],
) {
  const id = `${control.id}:${name}`;
  const element: Element = { id, controlId: control.id, kind: "quadrature", end: name, label, turning, contacts };
  const input = (end: "cw" | "ccw", motion: "clockwise" | "anticlockwise"): ControlInput => ({
    id: name === "turn" ? `${control.id}:${end}` : `${id}-${end}`,
    controlId: control.id,
    elementId: id,
    motion,
    label: `${label} turned ${motion}`,
  });
  return { element, inputs: [input("cw", "clockwise"), input("ccw", "anticlockwise")] };
}

/** Inputs of an axis beyond its thresholds. */
export const beyondOf = (element: Element, sides: ("high" | "low")[]): ControlInput[] =>
  sides.map((motion) => ({
    id: `${element.id}-${motion}`,
    controlId: element.controlId,
    elementId: element.id,
    motion,
    label: `${element.label} to its ${motion} end`,
  }));

const isLampColour = (value: unknown): value is LampColour => lampColours.includes(value as LampColour);

/** Usual track of sticks and pots, in ohm (common practice). */
const TRACK_OHM = 10_000;
const trackOf = (control: ControlBase) =>
  "trackOhm" in control && typeof control.trackOhm === "number" ? control.trackOhm : TRACK_OHM;

/** An element of a control that is neither switch nor quadrature pair. */
export const elementOf = (
  control: ControlBase,
  name: string,
  kind: ElementKind,
  label: string,
  contacts: Contact[],
): Element => ({
  id: `${control.id}:${name}`,
  controlId: control.id,
  kind,
  end: name,
  label,
  contacts,
  ...("currentMa" in control && typeof control.currentMa === "number" ? { currentMa: control.currentMa } : {}),
  ...("colour" in control && isLampColour(control.colour) ? { colour: control.colour } : {}),
  ...(kind === "analog" ? { trackOhm: trackOf(control) } : {}),
});
