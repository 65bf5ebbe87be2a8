import { between, listOf, text, z } from "../schema";

/** How wires are cut, and which of them are done. */
export const wireSettingsSchema = z.strictObject({
  /** Added at each end for stripping and for soldering, in mm. */
  endMm: between(0, 50),
  /** Added to the straight length for bends, in percent. */
  slackPercent: between(0, 100),
  /** Lengths are cut to whole steps of this. */
  stepMm: between(1, 50),
  /** Cross-section of signal wires and of supply wires, in mm² (IEC 60228 has 0.14, 0.25, 0.5 …). */
  signalMm2: between(0.03, 2.5),
  supplyMm2: between(0.03, 4),
  /** Wires that are soldered, by their keys. */
  done: listOf(text(1, 200), 4000),
});
export type WireSettings = z.infer<typeof wireSettingsSchema>;

/** 0.5 mm solid core of network cable is 0.2 mm² (common practice). */
export const usualWires: WireSettings = {
  endMm: 5,
  slackPercent: 10,
  stepMm: 5,
  signalMm2: 0.2,
  supplyMm2: 0.5,
  done: [],
};
