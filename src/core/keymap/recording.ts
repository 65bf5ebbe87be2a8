import type { MacroStep } from "../document/macros";

/** A key of the person's own keyboard that went down or up. */
export interface RecordedKey {
  atMs: number;
  usage: number;
  down: boolean;
}

/** Pauses shorter than this are the hand's own, not meant. */
const SHORTEST_PAUSE_MS = 10;
const LONGEST_PAUSE_MS = 60_000;

/**
 * A macro's steps for what was pressed: a key that comes up before anything else happens was tapped. What is still down at
 * the end is let go.
 * @param withTimes keeps the pauses
 */
export function recordedSteps(keys: RecordedKey[], withTimes: boolean): MacroStep[] {
  const steps: MacroStep[] = [];
  const down = new Set<number>();
  keys.forEach(({ atMs, usage, down: isDown }, nth) => {
    const before = keys[nth - 1];
    if (isDown === down.has(usage)) return;
    const last = steps.at(-1);
    const isTap = !isDown && last?.step === "press" && last.usage === usage;
    if (isDown) down.add(usage);
    else down.delete(usage);
    if (isTap) {
      steps.pop();
      steps.push({ step: "tap", usage, modifiers: 0 });
      return;
    }
    const pauseMs = before ? Math.min(LONGEST_PAUSE_MS, Math.round(atMs - before.atMs)) : 0;
    if (withTimes && pauseMs >= SHORTEST_PAUSE_MS) steps.push({ step: "wait", ms: pauseMs });
    steps.push(isDown ? { step: "press", usage, modifiers: 0 } : { step: "release", usage });
  });
  return [...steps, ...[...down].map((usage): MacroStep => ({ step: "release", usage }))];
}
