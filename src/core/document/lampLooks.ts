import { LAMP_TICK_MS } from "../contract/contract";
import { whole, z } from "../schema";

const MOST_MS = 2550;

/** How a lamp is seen while it is lit, or how a motor runs. */
export const lampLookSchema = z.strictObject({
  /** Of one pulse and of the pause behind it, in tens of milliseconds; 0: steadily. */
  onMs: whole(0, MOST_MS),
  offMs: whole(10, MOST_MS),
  /** Pulses after it has begun; 0: as long as it lasts. */
  times: whole(0, 60),
  /** In so many of eight milliseconds it is on: dimmed, or weaker. */
  eighths: whole(1, 8),
});
export type LampLook = z.infer<typeof lampLookSchema>;

export const steadyLook: LampLook = { onMs: 0, offMs: 500, times: 0, eighths: 8 };

/** Patterns that are offered by name, of what is seen and of what is heard or felt; others are by their own times. */
export const lampPatterns: { title: string; felt: string; look: Omit<LampLook, "eighths"> }[] = [
  { title: "steadily", felt: "without a pause", look: { onMs: 0, offMs: 500, times: 0 } },
  { title: "blinking slowly", felt: "on and off, slowly", look: { onMs: 1000, offMs: 1000, times: 0 } },
  { title: "blinking", felt: "on and off", look: { onMs: 300, offMs: 300, times: 0 } },
  { title: "one short pulse", felt: "once, shortly", look: { onMs: 100, offMs: 100, times: 1 } },
  { title: "two short pulses", felt: "twice, shortly", look: { onMs: 80, offMs: 100, times: 2 } },
];

export const lookOf = (looks: Record<string, LampLook> | undefined, controlId: string): LampLook =>
  looks && Object.hasOwn(looks, controlId) ? looks[controlId] : steadyLook;

/** Pulses a second of one that goes on; 0 for what is steady or ends. */
export const pulsesASecond = ({ onMs, offMs, times }: LampLook): number =>
  onMs === 0 || times > 0 ? 0 : 1000 / (onMs + offMs);

const ticks = (ms: number) => (ms === 0 ? 0 : Math.max(1, Math.round(ms / LAMP_TICK_MS)));

/** As the firmware is told it: two times in ticks, how often, and eighths. */
export const lookBytes = ({ onMs, offMs, times, eighths }: LampLook): [number, number, number, number] => [
  ticks(onMs),
  ticks(offMs),
  times,
  eighths,
];
