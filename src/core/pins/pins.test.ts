import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { finishedPad, pad } from "../../../tests/support/designs";
import { controllerCatalogue } from "../catalogue/controllers";
import { controllerProfileSchema, usablePins } from "../catalogue/controllers/controllerProfile";
import { derive } from "../derived/derive";
import { chooseController, freePin, lockPins, moveController, movePin, adoptPinPlan } from "../edits/pins";
import { shareOutDirect } from "../edits/wiring";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { findingsOf } from "../findings/check";
import { assignLeastCost } from "../optimisation/assignment";
import { pinPlace } from "./pinPlace";
import { wireMm } from "./leads";
import { planPins } from "./planPins";

function cheapestByTryingAll(costs: number[][]): number {
  const tryFrom = (row: number, taken: Set<number>): number => {
    if (row === costs.length) return 0;
    let least = Infinity;
    costs[row].forEach((cost, column) => {
      if (taken.has(column)) return;
      taken.add(column);
      least = Math.min(least, cost + tryFrom(row + 1, taken));
      taken.delete(column);
    });
    return least;
  };
  return tryFrom(0, new Set());
}

describe("least-cost assignment", () => {
  it("costs what trying every assignment finds, on 300 random tables", () => {
    const cost = fc.integer({ min: 0, max: 50 });
    const tables = fc
      .integer({ min: 1, max: 5 })
      .chain((rows) =>
        fc
          .integer({ min: rows, max: 6 })
          .chain((columns) =>
            fc.array(fc.array(cost, { minLength: columns, maxLength: columns }), { minLength: rows, maxLength: rows }),
          ),
      );
    fc.assert(
      fc.property(tables, (costs) => {
        const columns = assignLeastCost(costs);
        expect(new Set(columns).size).toBe(costs.length);
        expect(columns.reduce((sum, column, row) => sum + costs[row][column], 0)).toBe(cheapestByTryingAll(costs));
      }),
      { numRuns: 300 },
    );
  });

  it("assigns nothing to nobody", () => expect(assignLeastCost([])).toEqual([]));
  it("refuses more rows than columns", () => expect(() => assignLeastCost([[1], [2]])).toThrow(RangeError));
});

describe("the controller catalogue", () => {
  // Common practice: about 11 on thumb-size boards, 18 to 20 on small ones, 26 to 30 on full-size ones, 54 + 16 on large ones.
  it("has at least ten classes, with the usable pins that their titles name", () => {
    expect(controllerCatalogue.length).toBeGreaterThanOrEqual(10);
    for (const profile of controllerCatalogue)
      expect(profile.title).toMatch(
        profile.id === "small-5v-serial-20" ? /20 I\/O/ : new RegExp(`, ${usablePins(profile).length} I/O$`),
      );
    expect(controllerCatalogue.map((profile) => usablePins(profile).length)).toEqual(
      expect.arrayContaining([11, 18, 20, 26, 70]),
    );
  });

  it.each(controllerCatalogue)(
    "$title is a sound profile with distinct I/O names and pads inside its outline",
    (profile) => {
      expect(controllerProfileSchema.safeParse(profile).success).toBe(true);
      const names = profile.pins.filter((pin) => pin.role === "io").map((pin) => pin.name);
      expect(new Set(names).size).toBe(names.length);
      for (const pin of profile.pins) {
        expect(Math.abs(pin.xMm)).toBeLessThan(profile.widthMm / 2);
        expect(Math.abs(pin.yMm)).toBeLessThan(profile.heightMm / 2);
      }
      const places = profile.pins.map((pin) => `${pin.xMm} ${pin.yMm}`);
      expect(new Set(places).size).toBe(places.length);
    },
  );
});

describe("pin plan", () => {
  const wired = chooseController(shareOutMatrix(pad(), "as-laid-out"), "small-5v-18");

  it("gives every net a pin of its own, none reserved, encoders on interrupt pins", () => {
    const plan = planPins(wired);
    const { signalNets, profile } = derive(wired);
    expect(plan.unplaced).toEqual([]);
    expect(Object.keys(plan.assignments).sort()).toEqual(signalNets.map((net) => net.id).sort());
    expect(new Set(Object.values(plan.assignments)).size).toBe(signalNets.length);
    const pin = (name: string) => profile!.pins.find((one) => one.name === name)!;
    for (const name of Object.values(plan.assignments)) expect(pin(name).reserved).toBeNull();
    for (const end of ["A", "B"]) expect(pin(plan.assignments[`e1:turn/${end}`]).interrupt).toBe(true);
  });

  it("never moves a locked net", () => {
    const locked = lockPins(movePin(adoptPinPlan(wired, planPins(wired)), "l1:lamp", "P7"), ["l1:lamp"], true);
    expect(planPins(locked).assignments["l1:lamp"]).toBe("P7");
  });

  it("needs no more wire than what one had, when no capability is at stake", () => {
    const planned = adoptPinPlan(wired, planPins(wired));
    const swapped = movePin(
      movePin(planned, "matrix.R1", planned.pinPlan["matrix.C3"].pin),
      "matrix.R2",
      planned.pinPlan["matrix.C1"].pin,
    );
    const plain = (design: typeof wired) =>
      wireMm(design, Object.fromEntries(Object.entries(design.pinPlan).map(([id, choice]) => [id, choice.pin])));
    expect(plain(planned)).toBeLessThan(plain(swapped));
    expect(planPins(wired).totalWireMm).toBeCloseTo(plain(planned), 9);
  });

  it("places as many as there are pins when there are too few", () => {
    const crowded = chooseController(shareOutDirect(pad(4, 4)), "thumb-3v3-11");
    const plan = planPins(crowded);
    expect(Object.keys(plan.assignments)).toHaveLength(11);
    expect(plan.unplaced).toHaveLength(derive(crowded).signalNets.length - 11);
  });

  it("places nothing without a controller", () => expect(planPins(pad()).assignments).toEqual({}));
});

describe("pins by hand", () => {
  const design = finishedPad();
  const pinOf = (d: typeof design, net: string) => d.pinPlan[net]?.pin;

  it("swaps with a net that is on the pin", () => {
    const moved = movePin(design, "matrix.R1", pinOf(design, "matrix.C1"));
    expect(pinOf(moved, "matrix.R1")).toBe(pinOf(design, "matrix.C1"));
    expect(pinOf(moved, "matrix.C1")).toBe(pinOf(design, "matrix.R1"));
  });

  it("does not push a locked net away", () => {
    const locked = lockPins(design, ["matrix.C1"], true);
    expect(movePin(locked, "matrix.R1", pinOf(design, "matrix.C1"))).toBe(locked);
  });

  it("frees the occupant when the newcomer had no pin", () => {
    const loose = freePin(design, "matrix.R1");
    const moved = movePin(loose, "matrix.R1", pinOf(design, "matrix.C1"));
    expect(moved.pinPlan["matrix.C1"]).toBeUndefined();
  });

  it("keeps choices that another class also has", () => {
    const other = chooseController(design, "dual-core-3v3-26");
    for (const [net, choice] of Object.entries(other.pinPlan)) expect(choice.pin).toBe(pinOf(design, net));
    expect(derive(other).profile!.id).toBe("dual-core-3v3-26");
  });

  it("lays a larger module beside the caps that it would cover, and leaves one that fits", () => {
    const near = moveController(design, { xMm: 69, yMm: 10 });
    const small = chooseController(near, "thumb-3v3-11").controllers[0].placement;
    expect(small).toEqual(near.controllers[0].placement);
    const large = chooseController(near, "large-5v-70");
    expect(large.controllers[0].placement.xMm).toBeGreaterThan(69);
    expect(findingsOf(large).filter((finding) => finding.rule === "layout/controller-overlap")).toEqual([]);
  });

  it("mirrors the pads of a module under the board", () => {
    const { controller, profile } = derive(design);
    const under = derive(moveController(design, { side: "under" })).controller!;
    const pin = profile!.pins[0];
    expect(pinPlace(under, pin).xMm - under.placement.xMm).toBeCloseTo(
      -(pinPlace(controller!, pin).xMm - controller!.placement.xMm),
      9,
    );
  });
});
