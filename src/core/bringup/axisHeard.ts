import type { AxisMeasurement } from "../analog/measuredAxis";
import type { Outcome } from "./predict";

/** In percent of the track, from memory: a line that hangs on nothing drifts farther than a track that rests. */
const WANDERS = 10;
/** What moves less does not move. */
const STILL = 5;
/** A stick that moves reaches both its ends at least so far apart. */
const MOVES = 40;
/** Nearer than this to an end of the supply it stays there. */
const AT_END = 5;

const spread = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/**
 * What was read of an axis on the device, let go and then moved to both its ends, as the outcome of its test.
 * @param seen in percent of the track
 * @returns null where it cannot be told yet: nothing was read, or it moved, but not to both ends
 */
export function axisHeard({ rest, moved }: AxisMeasurement): Outcome | null {
  if (rest.length === 0 || moved.length === 0) return null;
  if (spread(rest) > WANDERS) return "wanders";
  const all = [...rest, ...moved];
  if (spread(all) > MOVES) return "";
  if (spread(all) > STILL) return null;
  if (Math.min(...all) > 100 - AT_END) return "always high";
  return Math.max(...all) < AT_END ? "always low" : "still";
}
