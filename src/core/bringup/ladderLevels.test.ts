import { describe, expect, it } from "vitest";
import type { Branch } from "../electrics/network";
import { LadderLevels } from "./ladderLevels";

/** A divider from the supply to ground, 10 kΩ over 30 kΩ, and a pad that joins the line to ground over 10 kΩ more. */
const divider: Branch[] = [
  { a: "supply", b: "line", ohm: 10_000 },
  { a: "line", b: "ground", ohm: 30_000 },
  { a: "line", b: "pad", ohm: 10_000 },
];
const pressed: Branch[] = [{ a: "pad", b: "ground", ohm: 0 }];
const powered = new Map([
  ["supply", 1],
  ["ground", 0],
]);

const resistors = (levels: LadderLevels, branches: Branch[]) => ({ branches, name: levels.nameOf(branches) });

describe("the level of a ladder's line", () => {
  it("is what the divider gives, with and without a pad pressed, however often it is asked for", () => {
    const levels = new LadderLevels();
    for (let nth = 0; nth < 2; nth++) {
      expect(levels.levelOf("line", resistors(levels, divider), [], powered)).toBeCloseTo(0.75, 9);
      // 30 kΩ beside 10 kΩ is 7.5 kΩ, of 17.5 kΩ.
      expect(levels.levelOf("line", resistors(levels, divider), pressed, powered)).toBeCloseTo(7.5 / 17.5, 6);
    }
  });

  it("goes by the resistors that are there, the node asked for, and what is powered", () => {
    const levels = new LadderLevels();
    const whole = resistors(levels, divider);
    expect(levels.levelOf("line", whole, [], powered)).toBeCloseTo(0.75, 9);
    expect(levels.levelOf("line", resistors(levels, divider.slice(0, 1)), [], powered)).toBeCloseTo(1, 9);
    expect(levels.levelOf("line", resistors(levels, divider.slice(1)), [], powered)).toBeCloseTo(0, 9);
    expect(levels.levelOf("line", resistors(levels, [{ ...divider[0], ohm: 30_000 }, divider[1]]), [], powered)).toBe(
      0.5,
    );
    expect(levels.levelOf("ground", whole, [], powered)).toBe(0);
    expect(levels.levelOf("line", whole, [], new Map([["supply", 1]]))).toBeCloseTo(1, 9);
  });

  it("is none where nothing that is held reaches the line", () => {
    const levels = new LadderLevels();
    expect(levels.levelOf("line", resistors(levels, []), [], powered)).toBeNull();
    expect(levels.levelOf("line", resistors(levels, []), [], powered)).toBeNull();
  });

  it("the same branches have one name, others another", () => {
    const levels = new LadderLevels();
    const name = levels.nameOf(divider);
    expect(levels.nameOf(structuredClone(divider))).toBe(name);
    expect(levels.nameOf(pressed)).not.toBe(name);
    expect(levels.nameOf([{ ...divider[0], ohm: 11_000 }, ...divider.slice(1)])).not.toBe(name);
  });
});
