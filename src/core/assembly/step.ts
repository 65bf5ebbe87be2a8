import type { Outline } from "../geometry/outline";
import type { Point } from "../geometry/point";
import type { Ring } from "../geometry/ring";
import type { StepSort } from "./stepSorts";

/** Where one works on a piece: what the hand touches, the solder side, or what the plate hides once it lies on the board. */
export type Face = "front" | "inside" | "back";

export const tools = ["hands", "iron", "meter", "driver", "cutter", "computer", "hotplate", "machine"] as const;
export type Tool = (typeof tools)[number];

/** A place that must be free while a step is done. */
export interface Reach {
  boardId: string;
  face: Face;
  at: Point;
  /** What is there, for a person: "K4". */
  of: string;
  /** The part whose place it is: what fits that part does not hide it. */
  owner: string;
}

/** A region that a step closes. */
export interface Cover {
  boardId: string;
  face: Face;
  shape: { outline: Outline } | { ring: Ring };
  /** It comes off again without desoldering. */
  removable: boolean;
}

/** Why one step comes before another. The first is given up first where the reasons run in a circle. */
export const reasonSorts = ["lower first", "heat", "crossing", "test first", "covered", "joined"] as const;
export type ReasonSort = (typeof reasonSorts)[number];

/** What must be there before a step: something that another step gives. */
export interface Want {
  token: string;
  sort: ReasonSort;
  words: string;
}

/** The usual cautions of the bench, each told once. */
export const cautionSorts = [
  "solder",
  "heat",
  "cutting",
  "laser",
  "resin",
  "leads",
  "cell",
  "radio",
  "strain",
] as const;
export type CautionSort = (typeof cautionSorts)[number];

/** One thing to do at the bench. */
export interface Step {
  /** The same for the same thing in a changed design. */
  id: string;
  sort: StepSort;
  title: string;
  /** The piece in hand and how it lies; null for what is done without one. */
  boardId: string | null;
  face: Face | null;
  tool: Tool;
  /** How many of what the sort counts. */
  units: number;
  /** Parts that come onto the device in it, by their names in the netlist. */
  fits: string[];
  /** Wires that are soldered in it, by their keys. */
  wires: string[];
  /** What else is needed: "Wire 0.2 mm², white: 4 lengths, 0.31 m". */
  needs: string[];
  how: string[];
  checks: string[];
  cautions: CautionSort[];
  /** What is lit on the mat. */
  lit: { controls: string[]; chips: string[]; controllers: string[] };
  reaches: Reach[];
  covers: Cover[];
  wants: Want[];
  gives: string[];
  /** How high its parts stand, where the piece lies on them while they are soldered. */
  heightMm: number | null;
}

/** A step is done after another. */
export interface Reason {
  before: string;
  after: string;
  sort: ReasonSort;
  words: string;
}
