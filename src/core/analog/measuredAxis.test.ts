import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type AxisSettings, axisProblem, axisSchema } from "../document/axes";
import { measuredAxis, percentOfTrack } from "./measuredAxis";

const stick: AxisSettings = {
  sides: "both",
  lowest: 5,
  centre: 50,
  highest: 95,
  turned: false,
  smooth: 1,
  still: 0.4,
  dead: 3,
  deadAround: "stick",
  curve: [],
  keyOn: 60,
  keyOff: 45,
};

describe("an axis that was measured", () => {
  it("has its own rest and ends, with a fiftieth of the way left at each", () => {
    // By hand: rests at 52, goes to 12 and 92: 0.02 × 40 left at each end; the rest scatters by 0.2, half as much again is 0.3.
    expect(measuredAxis(stick, { rest: [51.8, 52, 52.2], moved: [12, 60, 92] })).toEqual({
      ...stick,
      lowest: 12.8,
      centre: 52,
      highest: 91.2,
      still: 0.3,
    });
  });

  it("is dead around its rest at least as far as that scatters", () => {
    // 2 × 1.5 of the 40 to its nearer end.
    expect(measuredAxis(stick, { rest: [50, 54], moved: [12, 98] })).toMatchObject({ dead: 7.5, still: 3 });
  });

  it("of one that rests at an end has two ends only", () => {
    const pot: AxisSettings = { ...stick, sides: "one", dead: 0 };
    expect(measuredAxis(pot, { rest: [1], moved: [0.5, 99.5] })).toMatchObject({
      lowest: 2.5,
      highest: 97.5,
      dead: 0,
      still: 0.1,
    });
  });

  it("says so when it was not moved to both ends, or not read at all", () => {
    expect(measuredAxis(stick, { rest: [50], moved: [50, 93] })).toMatch(
      /^It rests at 50 % between 50 % and 92.1 %; at least 7 % must lie on either side: move it to both its ends\.$/,
    );
    expect(measuredAxis(stick, { rest: [], moved: [1] })).toBe("Nothing was read yet.");
  });

  it("is one that the schema takes, or none, whatever is read", () => {
    const readings = fc.array(fc.integer({ min: 0, max: 65535 }).map(percentOfTrack), { minLength: 1, maxLength: 40 });
    fc.assert(
      fc.property(readings, readings, fc.constantFrom("both" as const, "one" as const), (rest, moved, sides) => {
        const axis = measuredAxis({ ...stick, sides }, { rest, moved });
        if (typeof axis === "string") return;
        expect(axisSchema.safeParse(axis).success).toBe(true);
        expect(axisProblem(axis)).toBeNull();
      }),
    );
  });
});
