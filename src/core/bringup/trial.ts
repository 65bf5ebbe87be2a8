import type { Point } from "../geometry/point";
import type { Node } from "./assembled";
import type { Bend } from "./fault";

/** What a test asks of a hand; each has its price in effort. */
export const effortSorts = ["press", "sweep", "bend", "meter"] as const;
export type EffortSort = (typeof effortSorts)[number];
export type Efforts = Record<EffortSort, number>;

/** One press is the unit; a row of keys under a sliding finger, bending, and a meter with two tips cost more. */
export const usualEfforts: Efforts = { press: 1, sweep: 3, bend: 3, meter: 5 };

export type TrialDeed =
  /** Supply against ground before any power; loading; whether the computer lists it by its name. */
  | { does: "check"; what: "short" | "load" | "name" }
  /** Nothing is touched: what is told by itself? */
  | { does: "idle" }
  /** Contacts held at the same time; one is a press. */
  | { does: "hold"; held: string[] }
  /** One after the other. */
  | { does: "sweep"; each: string[] }
  /** Held while the board is bent. */
  | { does: "bend"; held: string[]; bend: Bend }
  | { does: "turn"; elementId: string }
  /** Lamps, sounders, displays, lights of a chain: which do not answer? */
  | { does: "show"; elementIds: string[] }
  /** An axis at rest and at both ends. */
  | { does: "axis"; elementId: string }
  /** Between two pieces of metal, without power; in diode range the red tip feeds current in. */
  | { does: "meter"; red: Node; black: Node; range: "ohm" | "diode"; held: string[] };

/** One test: what to do, what it costs. */
export interface Trial {
  id: string;
  deed: TrialDeed;
  effort: EffortSort;
  /** How often that effort is spent: two keys held are two presses. */
  times: number;
  title: string;
  /** Nets whose faults can change what comes. */
  nets: string[];
  controlIds: string[];
  at: Point[];
}

export const effortOf = ({ effort, times }: Pick<Trial, "effort" | "times">, efforts: Efforts): number =>
  efforts[effort] * times;
