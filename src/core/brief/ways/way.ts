import type { ControllerProfile } from "../../catalogue/controllers/controllerProfile";
import { type PinNeed, busNeed } from "../../circuits/net";
import type { PartCounts } from "../prices";
import type { Wish } from "../wish";

/** Pins of one sort that a plan needs. Needs with the same `shared` name are met by the same pins. */
export interface PinLot {
  what: string;
  need: PinNeed;
  count: number;
  shared?: string;
}

/** How sure a way is: a warning where it may miss or invent something, a note where it is good to know. */
export interface Certainty {
  weight: "warn" | "note";
  words: string;
}

/** What one way of meeting one sort of need comes to. */
export interface WayPlan {
  pins: PinLot[];
  parts: PartCounts;
  /** Time that one full reading adds, in µs, without computing. */
  readUs: number;
  certainty: Certainty[];
  /** In a few words for tables: "6 rows and 9 columns". */
  shape: string;
}

export interface WayContext {
  wish: Wish;
  profile: ControllerProfile;
  matrixShape: { rows: number; columns: number } | null;
  /** From driving a line to reading the others. */
  settleUs: number;
}

/** One way to read switches. A new one is one file that exports this, and one line in the registry. */
export interface SwitchWay {
  id: string;
  title: string;
  /** Encoder lines can go the same way as switches. */
  carriesTurns: boolean;
  /** Null where it makes no sense for so many inputs. */
  plan(inputs: number, context: WayContext): WayPlan | null;
}

export const noPlan: WayPlan = { pins: [], parts: {}, readUs: 0, certainty: [], shape: "" };

/** Both lines of the two-wire bus, shared by all that hangs on it. */
export const i2cLots: PinLot[] = [
  { what: "bus data", need: busNeed("i2c", "SDA"), count: 1, shared: "SDA" },
  { what: "bus clock", need: busNeed("i2c", "SCL"), count: 1, shared: "SCL" },
];

/** One bit on the fast two-wire bus: 400 kbit/s (I²C-bus specification, fast mode). */
const I2C_BIT_US = 2.5;

/** Time of a transfer of so many bytes, nine bits each, with start, repeated start and stop. */
export const i2cUs = (bytes: number): number => (bytes * 9 + 3) * I2C_BIT_US;
