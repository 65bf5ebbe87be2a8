/** One light takes 24 bits at 800 kHz; after the last the line rests, so that they show (common practice). */
const BITS = 24;
const BIT_US = 1.25;
export const LIGHT_PAUSE_US = 80;

/** Time in which a chain's data is sent, in µs, without the pause. */
export const lightDataUs = (lights: number): number => lights * BITS * BIT_US;
