import { describe, expect, it } from "vitest";
import { changeControl } from "../edits/controls";
import { addGroup } from "../edits/groups";
import { newDesign } from "../document/newDesign";
import { findingsOf } from "../findings/check";
import type { CapLot, CapSet } from "../document/capSet";
import { coverage, missingBySize } from "./coverage";
import { applyRowChange } from "../edits/capRows";
import { rowChanges } from "./rowChanges";

let n = 0;
const block = addGroup(
  newDesign("d", "D"),
  {
    name: "Typing block",
    kind: "key",
    at: { xMm: 0, yMm: 0, rotationDeg: 0, boardId: "panel" },
    shape: { shape: "typing-block", tallEnter: false, extraKey: false },
  },
  () => `k${(n += 1)}`,
).design;

const lot = (widthU: number, count: number, more: Partial<CapLot> = {}): CapLot => ({
  widthU,
  heightU: 1,
  form: "plain",
  profile: "",
  label: "",
  count,
  ...more,
});
/** What 61 keys of the block need: 42 + 4 of one unit, and so on (counted by hand). */
const full = [lot(1, 44), lot(1.25, 7), lot(1.5, 2), lot(1.75, 1), lot(2, 1), lot(2.25, 2), lot(2.75, 1), lot(6.25, 1)];
const set = (caps: CapLot[], sculpted = false): CapSet => ({ id: "s", name: "S", sculpted, caps });

describe("coverage", () => {
  it("of a block by exactly its caps leaves nothing missing and nothing over", () => {
    const counts = new Map<number, number>();
    for (const key of block.controls) if (key.kind === "key") counts.set(key.widthU, (counts.get(key.widthU) ?? 0) + 1);
    const exact = set([...counts].map(([width, count]) => lot(width, count)));
    expect(coverage(block, exact)).toMatchObject({ missing: [], leftOver: [], keys: 61 });
  });

  it("names what is missing and what stays over", () => {
    const { missing, leftOver } = coverage(block, set(full.map((each) => (each.widthU === 6.25 ? lot(7, 1) : each))));
    const words = missingBySize(missing).map(({ words: what, keys }) => `${keys.length} × ${what}`);
    expect(words).toContain("1 × 6.25 × 1 u");
    expect(leftOver.map(({ lot: { widthU } }) => widthU)).toContain(7);
  });

  it("ties a cap to its row in a sculpted set, and not in a uniform one", () => {
    const one = changeControl(block, block.controls[0].id, { profile: "2" });
    const caps = [lot(1, 60, { profile: "4" }), ...full.slice(1).map((each) => ({ ...each, profile: "4" }))];
    const missingIn = (sculpted: boolean) => coverage(one, set(caps, sculpted)).missing.map(({ id }) => id);
    expect(missingIn(true)).toContain(block.controls[0].id);
    expect(missingIn(false)).not.toContain(block.controls[0].id);
  });

  it("puts labelled caps on the keys of their label", () => {
    const named = changeControl(block, block.controls[20].id, { label: "Anchor" });
    const caps = [lot(1, 50), lot(1, 1, { label: "anchor" })];
    expect(coverage(named, set(caps)).capOf.get(block.controls[20].id)).toBe(1);
  });
});

describe("changes of a row", () => {
  const short = set([
    lot(1, 60),
    lot(1.25, 5),
    lot(1.5, 2),
    lot(1.75, 2),
    lot(2, 1),
    lot(2.25, 2),
    lot(2.75, 1),
    lot(7, 1),
  ]);

  it("use caps that are there, change at most three keys and say so in words", () => {
    const [change] = rowChanges(block, short);
    expect(change.words).toMatch(/6\.25 → 7 u/);
    expect(change.widths.size).toBeLessThanOrEqual(3);
  });

  it("cure what they promise: fewer caps are missing, and no caps overlap", () => {
    const before = coverage(block, short).missing.length;
    const after = rowChanges(block, short).reduce(applyRowChange, block);
    expect(coverage(after, short).missing.length).toBeLessThan(before);
    expect(findingsOf(after).filter(({ rule }) => rule === "layout/overlap")).toEqual([]);
  });

  it("keep the length of the row where the caps allow it", () => {
    const swap = set([
      lot(1, 60),
      lot(1.25, 6),
      lot(1.5, 2),
      lot(1.75, 1),
      lot(2, 1),
      lot(2.25, 2),
      lot(2.75, 1),
      lot(6, 1),
      lot(1.5, 2),
    ]);
    const [change] = rowChanges(block, swap);
    expect(change.lengthU).toBe(0);
  });

  it("are none when nothing in the drawer helps", () =>
    expect(rowChanges(block, set([lot(1, 40)])).length).toBeLessThan(5));
});
