import { describe, expect, it } from "vitest";
import { keyboardOf } from "../../../tests/firmware/keyboard64";
import { changeControl } from "../edits/controls";
import { findingsOf, fixOf, toldFinding } from "./check";
import { tellPairs } from "./crowds";

const apart = keyboardOf(25, 40, 1);
const heaped = {
  ...apart,
  controls: apart.controls.map((one) => ({ ...one, placement: { ...one.placement, xMm: 0, yMm: 0 } })),
};

describe("a thousand keys at one place", () => {
  const found = findingsOf(heaped).filter(({ stage }) => stage === "layout");
  it("are told in a few findings that name every one of them", () => {
    expect(found.length).toBeLessThan(80);
    for (const rule of ["layout/overlap", "layout/openings-meet", "layout/keep-out"]) {
      const named = new Set(found.filter((one) => one.rule === rule).flatMap(({ subjects }) => subjects));
      expect(new Set([...named].map(({ id }) => id)).size).toBe(1000);
    }
  });
  it("say what to do", () => expect(found[0].message).toMatch(/^K1, K2, K3 and \d+ more .*; move them apart/));
});

describe("pairs", () => {
  it("are told one by one while they can be read", () => {
    const [one, other] = apart.controls;
    const moved = changeControl(apart, other.id, { placement: { ...other.placement, xMm: one.placement.xMm } });
    const overlaps = findingsOf(moved).filter(({ rule }) => rule === "layout/overlap");
    expect(overlaps.map(({ subjects }) => subjects.length)).toEqual([2]);
  });
  it("of two crowds apart are two", () => {
    const pairsOf = (from: number) => Array.from({ length: 9 }, (_, nth) => ({ first: from, second: from + nth + 1 }));
    const told = tellPairs(apart, [...pairsOf(0), ...pairsOf(100)], "meet", () => ({ message: "", subjects: [] }));
    expect(told.map(({ subjects }) => subjects.length)).toEqual([10, 10]);
  });
});

describe("a told finding", () => {
  const told = findingsOf(apart)
    .filter(({ fixes }) => fixes.length > 0)
    .map(toldFinding);
  it("is values only, and its fixes are found again while it holds", () => {
    expect(told.length).toBeGreaterThan(0);
    expect(structuredClone(told)).toEqual(told);
    for (const one of told) for (const title of one.fixes) expect(fixOf(apart, one, title)?.title).toBe(title);
  });
  it("has no fix once its words do not hold any more", () => {
    const [one] = told;
    expect(fixOf(apart, { ...one, message: `${one.message} no more` }, one.fixes[0])).toBeNull();
    expect(fixOf(apart, one, "Something else")).toBeNull();
    expect(fixOf(apart, { ...one, rule: "no/rule" }, one.fixes[0])).toBeNull();
  });
});
