import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, pad } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { isInside, outlineRing } from "../geometry/ring";
import { plugBlockers } from "../layout/keepOuts";
import { crossingPaths, leadPaths, leadsOf } from "../pins/leads";
import { lockPins, moveController, adoptPinPlan } from "./pins";
import { moduleTurns } from "./turnModule";

const assignmentsOf = (design: ReturnType<typeof finishedPad>) =>
  Object.fromEntries(Object.entries(design.pinPlan).map(([id, { pin }]) => [id, pin]));

describe("Leads as they are laid", () => {
  it("run around the module, from the contact to the pad", () => {
    for (const design of [finishedPad(), moveController(finishedPad(), { rotationDeg: 180 }), ...demoDesigns]) {
      const { moduleOutline } = derive(design);
      if (!moduleOutline) continue;
      const ring = outlineRing(moduleOutline);
      const middle = derive(design).controller!.placement;
      const inner = ring.map(({ xMm, yMm }) => ({
        xMm: middle.xMm + 0.98 * (xMm - middle.xMm),
        yMm: middle.yMm + 0.98 * (yMm - middle.yMm),
      }));
      const straight = new Map(leadsOf(design, assignmentsOf(design)).map((lead) => [lead.netId, lead]));
      for (const { netId, path } of leadPaths(design, assignmentsOf(design))) {
        expect(path[0]).toEqual(straight.get(netId)!.from);
        expect(path.at(-1)).toEqual(straight.get(netId)!.to);
        if (isInside(path[0], ring)) continue;
        path.slice(1, -1).forEach((p, nth) => {
          for (let t = 0; t <= 1; t += 0.1)
            expect(
              isInside(
                { xMm: path[nth].xMm + t * (p.xMm - path[nth].xMm), yMm: path[nth].yMm + t * (p.yMm - path[nth].yMm) },
                inner,
              ),
            ).toBe(false);
        });
      }
    }
  });

  it("cross where two of them change places", () => {
    const paths = [
      {
        netId: "a",
        path: [
          { xMm: 0, yMm: 0 },
          { xMm: 10, yMm: 10 },
        ],
      },
      {
        netId: "b",
        path: [
          { xMm: 0, yMm: 10 },
          { xMm: 4, yMm: 6 },
          { xMm: 10, yMm: 0 },
        ],
      },
      {
        netId: "c",
        path: [
          { xMm: 50, yMm: 0 },
          { xMm: 60, yMm: 0 },
        ],
      },
    ];
    expect(crossingPaths(paths).map(({ one, other, at }) => [one.netId, other.netId, at])).toEqual([
      ["a", "b", { xMm: 5, yMm: 5 }],
    ]);
  });
});

describe("A turned module", () => {
  it("comes with the plan that suits it, the best turn first", () => {
    const turns = moduleTurns(finishedPad());
    expect(turns.map(({ rotationDeg }) => rotationDeg).sort((a, b) => a - b)).toEqual([-180, -90, 0, 90]);
    const crossings = turns.map((turn) => turn.crossings);
    expect(crossings).toEqual([...crossings].sort((a, b) => a - b));
    for (const { rotationDeg, plan, crossings } of turns) {
      const taken = adoptPinPlan(moveController(finishedPad(), { rotationDeg }), plan);
      expect(crossingPaths(leadPaths(taken, assignmentsOf(taken)))).toHaveLength(crossings);
      expect(plan.unplaced).toEqual([]);
    }
  });

  it("keeps locked pins, and turns back what lies the wrong way round", () => {
    const wrong = lockPins(finishedPad(), ["matrix.R1"], true);
    for (const { plan } of moduleTurns(wrong))
      expect(plan.assignments["matrix.R1"]).toBe(wrong.pinPlan["matrix.R1"].pin);
    const away = moduleTurns(moveController(finishedPad(), { rotationDeg: 180 }));
    expect(away[0].crossings).toBe(moduleTurns(finishedPad())[0].crossings);
  });

  it("is not laid on caps that it does not lie on now", () => {
    const tight = moveController(finishedPad(), { xMm: 19.05 * 2 + 9 + 10, yMm: 19.05 });
    const over = (rotationDeg: number) => moduleTurns(tight).some((turn) => turn.rotationDeg === rotationDeg);
    expect(over(0)).toBe(true);
    expect(over(90)).toBe(false);
    const beneath = moduleTurns(moveController(tight, { side: "under" })).map(({ rotationDeg }) => rotationDeg);
    expect(beneath).toContain(90);
  });

  it("does not lose its plug behind keys", () => {
    const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
    const blocked = (rotationDeg: number) => plugBlockers(derive(moveController(kestrel, { rotationDeg }))).length > 0;
    expect(blocked(0)).toBe(true);
    const free = [-180, -90, 0, 90].filter((deg) => !blocked(deg));
    const turns = moduleTurns(kestrel).map(({ rotationDeg }) => rotationDeg);
    expect(turns.length).toBeGreaterThan(1);
    for (const deg of turns) expect(free).toContain(deg === 180 ? -180 : deg);
  });

  it("is nothing without a controller", () => {
    expect(moduleTurns(pad())).toEqual([]);
  });
});
