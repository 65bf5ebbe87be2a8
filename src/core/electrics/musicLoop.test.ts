import { describe, expect, it } from "vitest";
import { LOOP_MA, loopMa, standardLoop } from "./musicLoop";

describe("the loop of a socket for music", () => {
  it("carries about the 5 mA that the standard means, at both logic voltages", () => {
    expect(loopMa(5, standardLoop(5))).toBeCloseTo(5, 1);
    expect(loopMa(3.3, standardLoop(3.3))).toBeGreaterThan(LOOP_MA.least);
    expect(loopMa(3.3, standardLoop(3.3))).toBeLessThan(LOOP_MA.most);
  });

  it("carries nothing where the voltage does not reach the coupler's light", () =>
    expect(loopMa(1.2, standardLoop(3.3))).toBe(0));
});
