import type { Circuit } from "../../circuits";
import type { ControllerProfile } from "../../catalogue/controllers/controllerProfile";
import type { PinNeed } from "../../circuits/net";
import type { PartCounts } from "../../catalogue/prices";
import type { Wish } from "../../document/wish";

/** Pins of one sort that a plan needs. Needs with the same `shared` name are met by the same pins. */
export interface PinLot {
  what: string;
  need: PinNeed;
  count: number;
  shared?: string;
}

/** How sure a strategy is: a warning where it may miss or invent something, a note where it is good to know. */
export interface Certainty {
  weight: "warn" | "note";
  words: string;
}

/** What one strategy of meeting one sort of need comes to. */
export interface StrategyCost {
  pins: PinLot[];
  parts: PartCounts;
  /** Resistors that belong to a bus, by its id: however much hangs on the bus, they are there once. */
  shared: string[];
  /** Time that one full reading adds, in µs, without computing. */
  readUs: number;
  certainty: Certainty[];
  /** In a few words for tables: "6 rows and 9 columns". */
  shape: string;
}

export interface StrategyContext {
  wish: Wish;
  profile: ControllerProfile;
  matrixShape: { rows: number; columns: number } | null;
  /** From driving a line to reading the others. */
  settleUs: number;
}

/** Switches to read, and quadrature pairs that go the same way. */
export interface Inputs {
  switches: number;
  turns: number;
}

/** One strategy for switches. A new one is one file that exports this, and one line in the registry. */
export interface SwitchStrategy {
  id: string;
  title: string;
  /** Encoder lines can go the same way as switches. */
  carriesTurns: boolean;
  /** The kind of circuit that it becomes when it is taken. */
  circuit: Circuit["kind"];
  /** Null where it makes no sense for so many inputs. */
  cost(inputs: Inputs, context: StrategyContext): StrategyCost | null;
}

export const noCost: StrategyCost = { pins: [], parts: {}, shared: [], readUs: 0, certainty: [], shape: "" };
