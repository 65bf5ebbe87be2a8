import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoDesigns, shelfDesigns } from "@demo/index";
import { mistreated } from "../../../tests/support/mistreated";
import type { Design } from "../document/schema";
import { removeControls } from "../edits/controls";
import { bind } from "../edits/keymap";
import { comparisonOf } from "./comparison";
import { differencesBetween } from "./differences";
import { type Json, changesBetween, isSame, reversed, withChanges } from "./structure";

const plain = (design: Design): Json => JSON.parse(JSON.stringify(design)) as Json;
const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
const changesOf = (before: Design, after: Design) =>
  differencesBetween(before, after).flatMap(({ changes }) => changes);

describe("changes of a value", () => {
  const json = fc.letrec<{ any: Json }>((tie) => ({
    any: fc.oneof(
      { maxDepth: 3 },
      fc.constant(null),
      fc.boolean(),
      fc.integer(),
      fc.string(),
      fc.array(tie("any"), { maxLength: 3 }),
      fc.dictionary(fc.constantFrom("a", "b", "constructor", "__proto__", "#order"), tie("any"), { maxKeys: 3 }),
      fc.uniqueArray(fc.record({ id: fc.constantFrom("x", "y", "toString"), value: tie("any") }), {
        selector: ({ id }) => id,
        maxLength: 3,
      }) as fc.Arbitrary<Json>,
    ),
  })).any;

  it("make the second value of the first, and backwards the first of the second", () =>
    fc.assert(
      fc.property(json, json, (before, after) => {
        // Fields called like the mark of an order are no fields of a design.
        fc.pre(!JSON.stringify([before, after]).includes("#order"));
        const changes = changesBetween(before, after);
        expect(isSame(withChanges(before, changes), after)).toBe(true);
        expect(isSame(withChanges(after, changes.map(reversed)), before)).toBe(true);
        const back = changesBetween(after, before);
        expect(new Set(back.map(({ path }) => path.join("/")))).toEqual(
          new Set(changes.map(({ path }) => path.join("/"))),
        );
      }),
      { numRuns: 600 },
    ));

  it("a list in another order is told as an order, not as other members", () => {
    const one = [{ id: "a" }, { id: "b" }, { id: "c" }];
    expect(changesBetween(one, [one[2], one[0], one[1]])).toEqual([
      { path: ["#order"], before: ["a", "b", "c"], after: ["c", "a", "b"] },
    ]);
    expect(changesBetween(one, [...one, { id: "d" }])).toHaveLength(1);
  });
});

describe("differences of designs", () => {
  it("are complete and the same from both sides, for every pair of demos and for edits by chance", () => {
    const pairs: [Design, Design][] = [
      ...shelfDesigns.flatMap((one): [Design, Design][] => [[one, loom]]),
      ...Array.from({ length: 12 }, (_, seed): [Design, Design] => {
        const start = demoDesigns[seed % demoDesigns.length];
        return [start, mistreated(start, seed)];
      }),
    ];
    for (const [before, after] of pairs) {
      const lines = differencesBetween(before, after);
      const changes = lines.flatMap((line) => line.changes);
      expect(isSame(withChanges(plain(before), changes), plain(after))).toBe(true);
      const back = differencesBetween(after, before);
      expect(isSame(withChanges(plain(after), changesOf(after, before)), plain(before))).toBe(true);
      const swapped = (sort: string) => ({ new: "gone", gone: "new" })[sort] ?? sort;
      expect(back.map(({ sort, about }) => `${sort} ${about}`).toSorted()).toEqual(
        lines.map(({ sort, about }) => `${swapped(sort)} ${about}`).toSorted(),
      );
      for (const { words } of lines) expect(words).not.toMatch(/undefined|\[object/);
    }
  });

  it("a key that moved, was rewired and renamed is three lines, not one gone and one new", () => {
    const key = loom.controls.find(({ label }) => label === "Q")!;
    const after = structuredClone(loom);
    const moved = after.controls.find(({ id }) => id === key.id)!;
    moved.label = "Quill";
    moved.placement.xMm += 3.5;
    moved.placement.rotationDeg = 10;
    const [matrix] = after.circuits;
    if (matrix.kind !== "matrix") throw new Error("Loom 64 has a matrix");
    matrix.cells[`${key.id}:press`] = { row: 5, column: 11 };
    const lines = differencesBetween(loom, after);
    expect(lines.map(({ sort, words }) => [sort, words])).toEqual([
      ["moved", "Quill moved 3.5 mm right, turned 10° clockwise"],
      ["renamed", "Q is called Quill"],
      ["rewired", expect.stringMatching(/^Quill is on R6 C12 instead of R2 C2$/)],
    ]);
    for (const { controlIds } of lines) expect(controlIds).toEqual([key.id]);
  });

  it("says what was bound otherwise, put on another pin, set, and recorded", () => {
    const id = `${loom.controls.find(({ label }) => label === "Q")!.id}:press`;
    const after = structuredClone(bind(loom, "base", id, { does: "keyboard", usage: 5, modifiers: 0 }));
    const [net] = Object.keys(after.pinPlan);
    after.pinPlan[net] = { ...after.pinPlan[net], pin: "P16" };
    after.timing.settleUs += 1;
    after.bringUp = { answers: [], retests: [], repairs: [] };
    const lines = differencesBetween(loom, after);
    expect(lines.map(({ sort }) => sort)).toEqual(["repinned", "rebound", "settings", "record"]);
    expect(lines[1].words).toBe("Q on Base: B instead of Q");
    expect(lines[2].words).toBe("timing: one value changed");
    expect(differencesBetween(loom, structuredClone(loom))).toEqual([]);
  });

  it("a key that went from the middle is one line, whatever order that leaves; a new order is told as one", () => {
    const after = structuredClone(loom);
    const [gone] = after.controls.splice(5, 1);
    const controls = (one: Design, other: Design) =>
      differencesBetween(one, other).flatMap(({ sort, about, words }) =>
        about === "controls" || about === gone.id ? [[sort, words]] : [],
      );
    expect(controls(loom, after)).toEqual([["gone", `${gone.label} is gone`]]);
    expect(controls(after, loom)).toEqual([["new", `${gone.label} is new: a key`]]);
    after.controls.reverse();
    expect(controls(loom, after)).toEqual([
      ["gone", `${gone.label} is gone`],
      ["settings", "controls: their order changed"],
    ]);
    expect(isSame(withChanges(plain(loom), changesOf(loom, after)), plain(after))).toBe(true);
  });

  it("what a key was wired and bound to goes with it", () => {
    const key = loom.controls.find(({ label }) => label === "Q")!;
    const after = removeControls(loom, [key.id]);
    expect(differencesBetween(loom, after).map(({ words }) => words)).toEqual(["Q is gone"]);
    expect(differencesBetween(after, loom).map(({ words }) => words)).toEqual(["Q is new: a key"]);
    expect(isSame(withChanges(plain(loom), changesOf(loom, after)), plain(after))).toBe(true);
  });

  it("findings gone and new, and the cost", () => {
    const after = structuredClone(loom);
    after.controls = after.controls.filter(({ label }) => label !== "Q");
    const { findings, cost, differences } = comparisonOf(loom, after);
    expect(differences.some(({ sort, words }) => sort === "gone" && words === "Q is gone")).toBe(true);
    expect(findings.gone).toEqual([]);
    expect(cost.after).toBeLessThan(cost.before);
    const back = comparisonOf(after, loom);
    expect(back.findings).toEqual({ gone: findings.fresh, fresh: findings.gone });
  });
});
