import type { BoardWay } from "../document/buildSettings";

/**
 * How often each of a sort is wrong on a device that was just built, by how its board is made. All from memory: a hand
 * solders about one joint in five hundred badly, a made board one in some thousand; only their proportions count for
 * what is suspected first.
 */
export interface Priors {
  jointOpen: number;
  jointCold: number;
  padOpen: number;
  padCold: number;
  wireOpen: number;
  /** For each metre of a wire beside that. */
  wireOpenPerM: number;
  diodeReversed: number;
  diodeMissing: number;
  diodeBridged: number;
  /** Neighbouring joints or pads. */
  neighbourShort: number;
  /** A place where two wires cross. */
  crossingShort: number;
  swapped: number;
  misplaced: number;
}

const byHand: Priors = {
  jointOpen: 0.002,
  jointCold: 0.001,
  padOpen: 0.003,
  padCold: 0.0015,
  wireOpen: 0.0005,
  wireOpenPerM: 0.001,
  diodeReversed: 0.002,
  diodeMissing: 0.0005,
  diodeBridged: 0.0003,
  neighbourShort: 0.001,
  crossingShort: 0.0004,
  swapped: 0.001,
  misplaced: 0.0005,
};

const byCopper: Priors = {
  jointOpen: 0.0007,
  jointCold: 0.0004,
  padOpen: 0.001,
  padCold: 0.0005,
  wireOpen: 0.00002,
  wireOpenPerM: 0.00005,
  diodeReversed: 0.001,
  diodeMissing: 0.0003,
  diodeBridged: 0.0003,
  neighbourShort: 0.0005,
  crossingShort: 0.000005,
  // The drawing and the firmware may still not agree.
  swapped: 0.0002,
  misplaced: 0.0001,
};

export const priorsOf = (way: BoardWay): Priors => (way === "made-board" ? byCopper : byHand);

/** What does not depend on how it was soldered; for each part of a sort (from memory). */
export const PART_PRIORS = {
  stuck: 0.0005,
  bounce: 0.0005,
  deadPin: 0.0002,
  dark: 0.001,
  turned: 0.001,
  otherPart: 0.0005,
  dip: 0.002,
  deadController: 0.001,
} as const;
