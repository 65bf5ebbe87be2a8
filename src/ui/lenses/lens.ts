/** What the mat can show over the device. Every lens draws on the same device; none replaces it. */
export type LensId =
  | "outlines"
  | "plate"
  | "wires"
  | "pins"
  | "currents"
  | "legends"
  | "reach"
  | "step"
  | "faults"
  | "record"
  | "practice";

export const lenses: { id: LensId; title: string }[] = [
  { id: "outlines", title: "Outlines" },
  { id: "plate", title: "Plate" },
  { id: "wires", title: "Wires" },
  { id: "pins", title: "Pins" },
  { id: "currents", title: "Currents" },
  { id: "legends", title: "Legends" },
  { id: "reach", title: "Reach" },
  { id: "step", title: "Step" },
  { id: "faults", title: "Faults" },
  { id: "record", title: "Record" },
  { id: "practice", title: "Practice" },
];
