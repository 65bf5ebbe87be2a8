import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { axisHeard } from "./axisHeard";
import { modelOf } from "./model";

const about = (middle: number, by: number) => [middle - by / 2, middle, middle + by / 2];

describe("what a device tells of an axis, as the outcome of its test", () => {
  it.each([
    ["rests in the middle and reaches both ends", about(50, 0.6), [3, 97, 50], ""],
    ["is a pot that rests at an end", about(1, 0.4), [0.5, 99, 99], ""],
    ["has worn ends", about(48, 1), [22, 71, 50], ""],
    ["does not move", about(50, 0.6), [49, 51, 50], "still"],
    ["stays at its upper end", about(99, 0.4), [98.5, 99.8, 99], "always high"],
    ["stays at its lower end", about(1, 0.4), [0.2, 1.4, 1], "always low"],
    ["wanders by itself", [20, 44, 31, 60], [20, 70, 40], "wanders"],
  ])("it %s", (_, rest, moved, came) => expect(axisHeard({ rest, moved })).toBe(came));

  it("is not told before anything was read, nor of half a way", () => {
    expect(axisHeard({ rest: [], moved: [3, 97] })).toBeNull();
    expect(axisHeard({ rest: about(50, 1), moved: [] })).toBeNull();
    expect(axisHeard({ rest: about(50, 1), moved: [50, 75] })).toBeNull();
  });

  it("says what the suspects foretell, and nothing else", () => {
    const { trials, rows } = modelOf(shelfDesigns.find(({ id }) => id === "kestrel")!);
    const foretold = new Set(
      rows.flatMap(({ base, others }, nth) => (trials[nth].deed.does === "axis" ? [base, ...others.values()] : [])),
    );
    const told = ["", "still", "always high", "always low", "wanders"];
    expect(foretold.size).toBeGreaterThan(3);
    expect([...foretold].filter((came) => !told.includes(came))).toEqual([]);
  });
});
