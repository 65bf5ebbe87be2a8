import { whole, z } from "../schema";

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
