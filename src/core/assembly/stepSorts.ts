/**
 * What steps are made of, for the reckoning of time: what one unit is, minutes to begin and for each unit the first time, and how far people differ
 * (standard deviation of the logarithm). From memory, set so that wiring some 65 keys by hand takes about five hours the first time (common practice).
 */
export const stepSorts = [
  { id: "make-plate", unit: "opening", title: "Making plates", beginMin: 20, unitMin: 0.3, spread: 0.5 },
  { id: "make-case", unit: "case", title: "Making cases", beginMin: 20, unitMin: 15, spread: 0.6 },
  { id: "insert", unit: "insert", title: "Setting inserts", beginMin: 5, unitMin: 1, spread: 0.4 },
  { id: "look-over", unit: "board", title: "Looking boards over", beginMin: 2, unitMin: 4, spread: 0.4 },
  { id: "screw-in", unit: "part", title: "Screwing parts in", beginMin: 2, unitMin: 1.5, spread: 0.3 },
  { id: "press-in", unit: "switch", title: "Pressing switches in", beginMin: 2, unitMin: 0.35, spread: 0.4 },
  { id: "lay-down", unit: "part", title: "Setting parts down", beginMin: 1, unitMin: 2, spread: 0.4 },
  { id: "stabilise", unit: "stabiliser", title: "Stabilisers", beginMin: 3, unitMin: 4, spread: 0.4 },
  { id: "small-part", unit: "part", title: "Diodes and resistors", beginMin: 2, unitMin: 1, spread: 0.3 },
  { id: "wire", unit: "wire", title: "Wires", beginMin: 1, unitMin: 1.5, spread: 0.3 },
  { id: "joint", unit: "joint", title: "Joints on made boards", beginMin: 2, unitMin: 0.25, spread: 0.3 },
  { id: "paste", unit: "part", title: "Paste, placing and heat", beginMin: 25, unitMin: 0.5, spread: 0.4 },
  { id: "measure", unit: "place", title: "Measuring", beginMin: 2, unitMin: 0.15, spread: 0.4 },
  { id: "load", unit: "controller", title: "Loading firmware", beginMin: 5, unitMin: 5, spread: 0.6 },
  { id: "try", unit: "part", title: "Trying parts", beginMin: 5, unitMin: 0.2, spread: 0.5 },
  { id: "cap", unit: "cap", title: "Caps and knobs", beginMin: 1, unitMin: 0.15, spread: 0.3 },
  { id: "close", unit: "screw", title: "Closing up", beginMin: 6, unitMin: 0.7, spread: 0.5 },
] as const;

export type StepSort = (typeof stepSorts)[number]["id"];

export type StepSortFacts = (typeof stepSorts)[number];

const byId = new Map<string, StepSortFacts>(stepSorts.map((sort) => [sort.id, sort]));

export const sortFacts = (id: StepSort): StepSortFacts => byId.get(id)!;
