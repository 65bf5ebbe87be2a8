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

/** What is sent to every driver at the start: a register, and what it is set to. */
export const segmentStartSchema = z.strictObject({ register: whole(0, 255), value: whole(0, 255) });
export type SegmentStart = z.infer<typeof segmentStartSchema>;

/**
 * Asleep; no test; eight digits; no decoding; half bright; awake: what drivers of the common class with 16-bit frames want (typical of the class, from
 * memory).
 */
export const usualStart: SegmentStart[] = [
  { register: 0x0c, value: 0 },
  { register: 0x0f, value: 0 },
  { register: 0x0b, value: 7 },
  { register: 0x09, value: 0 },
  { register: 0x0a, value: 7 },
  { register: 0x0c, value: 1 },
];
