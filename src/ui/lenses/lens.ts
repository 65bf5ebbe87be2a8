/** What the mat can show over the device. Every lens draws on the same device; none replaces it. */
export type LensId = "outlines" | "wires" | "pins" | "legends";

export const lenses: { id: LensId; title: string }[] = [
  { id: "outlines", title: "Outlines" },
  { id: "wires", title: "Wires" },
  { id: "pins", title: "Pins" },
  { id: "legends", title: "Legends" },
];
