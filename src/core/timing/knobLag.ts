import type { Timing } from "../document/debounce";
import type { KnobSettings } from "../document/knobs";

/** A pulse ends in the scan after its time, and the next one begins in the scan after that (docs/device-behaviour.md). */
const BETWEEN_MS = 1;

/** How long the device tells of one felt step at most, in ms: as often as it is told, each for the step time. */
export function mostToldMs({ told, fastMs, fastTold }: KnobSettings, { pulseMs }: Timing): number {
  const times = told * (fastMs > 0 ? fastTold : 1);
  return times * (pulseMs + BETWEEN_MS);
}
