import { describe, expect, it } from "vitest";
import { playQueue } from "@/core/timing/interruptQueue";

// Source: the mean wait in a queue with Poisson arrivals and a constant time of service (M/D/1), by Pollaczek and
// Khinchine: W = ρ D / 2 (1 − ρ), ρ = λ D. Modules with a line each and room for all events are such a queue.
describe("modules with a line each and a long queue", () => {
  it.each([0.2, 0.5, 0.7, 0.85])("wait as the closed form says at a load of %d", (load) => {
    const [modules, askUs, seconds] = [4, 400, 400];
    const perSecond = (load * 1e6) / askUs / modules;
    const waits = Array.from({ length: 8 }, (_, seed) => {
      const result = playQueue(
        { modules, perSecond, askUs, asking: "a line each", keeps: Infinity, pollUs: 0 },
        seed + 1,
        seconds,
      );
      expect(result.lost).toBe(0);
      expect(Math.abs(result.busy - load)).toBeLessThan(0.01);
      return result.meanWaitUs - askUs;
    });
    const mean = waits.reduce((a, b) => a + b, 0) / waits.length;
    const deviation = Math.sqrt(waits.reduce((sum, w) => sum + (w - mean) ** 2, 0) / (waits.length - 1));
    const error = deviation / Math.sqrt(waits.length);
    const closedForm = (load * askUs) / (2 * (1 - load));
    // Four standard errors of the sample: chance exceeds them once in some hundred runs of eight; seeds are fixed.
    expect(Math.abs(mean - closedForm)).toBeLessThan(4 * error);
    expect(error).toBeLessThan(0.05 * closedForm);
  });
});
