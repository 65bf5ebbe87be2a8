import { text, whole, z } from "../schema";

/** The farthest numbers that are shown: five digits, with a sign or without. */
export const SHOWN_MOST = 32_000;

/** What a segment display shows. */
export const segmentShowSchema = z.discriminatedUnion("shows", [
  z.strictObject({ shows: z.literal("dark") }),
  z.strictObject({ shows: z.literal("text"), text: text(1, 32) }),
  z.strictObject({
    shows: z.literal("value"),
    /** A knob, an axis, or a value that the computer tells (toldValue). */
    elementId: text(1, 80),
    /** What is shown when the value is 0, and when it is at its top; the point left out. */
    low: whole(-SHOWN_MOST, SHOWN_MOST),
    high: whole(-SHOWN_MOST, SHOWN_MOST),
    /** Digits behind the point. */
    point: whole(0, 4),
  }),
]);
export type SegmentShow = z.infer<typeof segmentShowSchema>;
