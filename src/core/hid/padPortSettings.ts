import { PLUG } from "../contract/plug";
import { between, listOf, text, whole, z } from "../schema";

/** A bit that nobody presses: as a released button is, or low for good, by which some ports tell what hangs on them. */
export const FREE = "free";
export const LOW = "low";

/**
 * A serial pad port, as its console asks: which switch stands at each bit, in the order in which they are read, what follows behind the last
 * one, and the console's times. The table is the person's own.
 */
export const padPortSettingsSchema = z.strictObject({
  /** The element of a switch, FREE or LOW. */
  bits: listOf(text(1, 80), PLUG.BITS, 1),
  after: z.enum(["high", "low"]),
  /** How long the latch pulse lasts, and from one clock edge that shifts to the next. */
  latchUs: between(1, 1000),
  clockUs: between(1, 1000),
  /** From one reading to the next. */
  everyMs: whole(2, 100),
});
export type PadPortSettings = z.infer<typeof padPortSettingsSchema>;

/** Lengths that such ports have: one register, or two in cascade (common practice). */
export const PORT_LENGTHS = [8, 16] as const;

/** Times as they are common: 12 µs each, 60 times a second (from memory). */
export const usualTimes = { after: "low", latchUs: 12, clockUs: 12, everyMs: 17 } as const;
