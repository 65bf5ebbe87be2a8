import { describe, expect, it } from "vitest";
import { randomFrom } from "@/core/optimisation/random";
import { crosses } from "@/core/geometry/segment";
import { point } from "@/core/geometry/point";
import { IMPOSSIBLE, NO_PIN, type PinProblem, solvePins } from "@/core/optimisation/solvePins";
import { highsOptimum } from "./highs";

// Source: HiGHS, an open mixed-integer solver, given the same needs as an integer programme of its own form.

const random = randomFrom(4);
const below = (n: number) => Math.floor(random() * n);
const subset = (n: number, share: number) => Array.from({ length: n }, (_, i) => i).filter(() => random() < share);

/** A random board: nets and pins at places, capabilities by chance, sometimes buses that must share a bus controller. */
function randomProblem(): PinProblem {
  const nets = 2 + below(9);
  const pins = Math.max(2, nets - 1 + below(6));
  const at = () => point(100 * random(), 100 * random());
  const netAt = Array.from({ length: nets }, at);
  const pinAt = Array.from({ length: pins }, at);
  const share = 0.35 + 0.6 * random();
  const costs = netAt.map((n) =>
    pinAt.map((p) => (random() < share ? Math.hypot(n.xMm - p.xMm, n.yMm - p.yMm) : IMPOSSIBLE)),
  );
  const buses = nets >= 4 ? below(3) : below(2);
  const together = Array.from({ length: Math.min(buses, Math.floor(nets / 2)) }, (_, bus) => ({
    nets: [2 * bus, 2 * bus + 1],
    sort: "i2c",
    otherwise: "unplaced" as const,
    options: Array.from({ length: 1 + below(3) }, (_, option) => ({
      key: String(option),
      pins: [subset(pins, 0.5), subset(pins, 0.5)],
    })),
  }));
  return { costs, pins, together };
}

const isFeasible = (cost: number) => cost < NO_PIN;

describe("the pin plan", () => {
  it("costs what HiGHS finds on 400 random boards, and fails on just those that it proves impossible", async () => {
    let infeasible = 0;
    let withBuses = 0;
    for (let round = 0; round < 400; round++) {
      const problem = randomProblem();
      const ours = solvePins(problem);
      const theirs = await highsOptimum(problem);
      if (theirs === null) {
        infeasible += 1;
        expect(isFeasible(ours.cost), `round ${round}`).toBe(false);
        continue;
      }
      expect(ours.isProven, `round ${round}`).toBe(true);
      expect(Math.abs(ours.cost - theirs), `round ${round}: ${ours.cost} and ${theirs}`).toBeLessThan(1e-4);
      if (problem.together.length > 0) withBuses += 1;
    }
    expect(infeasible).toBeGreaterThan(40);
    expect(withBuses).toBeGreaterThan(40);
  }, 300_000);

  // Common practice: crossed point-to-point leads can always be shortened by changing their ends.
  it("has no crossing leads when every pin can serve every net", () => {
    for (let round = 0; round < 100; round++) {
      const count = 3 + below(20);
      const netAt = Array.from({ length: count }, () => point(100 * random(), 100 * random()));
      const pinAt = Array.from({ length: count + below(8) }, () => point(100 * random(), 100 * random()));
      const costs = netAt.map((n) => pinAt.map((p) => Math.hypot(n.xMm - p.xMm, n.yMm - p.yMm)));
      const { pinOf } = solvePins({ costs, pins: pinAt.length, together: [] });
      for (let a = 0; a < count; a++)
        for (let b = a + 1; b < count; b++)
          expect(crosses(netAt[a], pinAt[pinOf[a]], netAt[b], pinAt[pinOf[b]]), `round ${round}`).toBe(false);
    }
  });
});
