import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { keyBlock } from "../../../tests/support/keyBlock";
import { casePlan, towerRoomMm } from "../cases/casePlan";
import { caseTroubles } from "../cases/caseTroubles";
import { usualCase } from "../document/caseSettings";
import { boundsOf } from "../geometry/outline";
import { designSchema } from "../document/schema";
import { findingsOf } from "../findings/check";
import { addTowers, changeCase, chooseCase } from "./caseEdits";

describe("choosing a case", () => {
  it("takes the usual measures of its way, and keeps rim and air when the way changes", () => {
    const printed = chooseCase(keyBlock(2, 2), "printed");
    expect(printed.case).toEqual(usualCase);
    const rimmed = changeCase(printed, { rimMm: 4, clearMm: 0.6, wallMm: 2 });
    expect(chooseCase(rimmed, "printed")).toBe(rimmed);
    expect(chooseCase(rimmed, "layers").case).toMatchObject({
      way: "layers",
      wallMm: 8,
      rimMm: 4,
      clearMm: 0.6,
      bedId: "sheet",
    });
    expect(chooseCase(rimmed, null)).toEqual(keyBlock(2, 2));
    expect(changeCase(keyBlock(2, 2), { rimMm: 4 })).toEqual(keyBlock(2, 2));
    for (const design of [printed, rimmed]) expect(designSchema.safeParse(design).success).toBe(true);
  });
});

describe("standoffs near the corners", () => {
  it.each(
    demoDesigns
      .filter(({ controls }) => controls.every(({ kind }) => kind !== "fixing"))
      .map((d): [string, typeof d] => [d.name, d]),
  )("of %s hold each plate and stand in nobody's way", (_, demo) => {
    const design = chooseCase(demo, "printed");
    for (const board of design.boards) {
      const held = addTowers(design, board.id);
      // The plate stays as large as it was.
      const size = (one: typeof design) => boundsOf([{ core: casePlan(one, board)!.edge, radiusMm: 0 }])!;
      for (const side of ["minXMm", "minYMm", "maxXMm", "maxYMm"] as const)
        expect(size(held)[side]).toBeCloseTo(size(design)[side], 6);
      const plan = casePlan(
        held,
        held.boards.find(({ id }) => id === board.id)!,
      )!;
      expect(plan.towers.length).toBe(4);
      for (const tower of plan.towers)
        expect(towerRoomMm(plan, tower)).toBeGreaterThanOrEqual(tower.outerMm / 2 - 1e-9);
      const messages = caseTroubles(held, plan).map(({ message }) => message);
      expect(messages.filter((message) => /holds it down|carries the plate|wants \d/.test(message))).toEqual([]);
      const rules = (one: typeof design) =>
        findingsOf(one)
          .filter(({ severity }) => severity !== "note")
          .map(({ rule }) => rule);
      // Nothing of layout or plate comes by them.
      const before = new Set(rules(design));
      expect(rules(held).filter((rule) => !before.has(rule))).toEqual([]);
    }
  });

  it("are none where there is no room, and none twice", () => {
    const tight = { ...keyBlock(1, 1), boards: [{ ...keyBlock(1, 1).boards[0], marginMm: 1 }] };
    expect(addTowers(chooseCase(tight, "printed"), "panel").controls.length).toBe(1);
    expect(addTowers(keyBlock(2, 2), "no such board")).toEqual(keyBlock(2, 2));
    const once = addTowers(chooseCase(demoDesigns[0], "printed"), demoDesigns[0].boards[0].id);
    expect(new Set(once.controls.map(({ id }) => id)).size).toBe(once.controls.length);
    expect(new Set(once.controls.map(({ label }) => label)).size).toBe(once.controls.length);
  });
});
