import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it } from "vitest";
import { keyBlock } from "../../tests/support/designs";
import { budgetLines, isBriefOpen } from "@/core/brief/budgetLines";
import { derive } from "@/core/derived/derive";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import { changeWish } from "@/core/edits/wish";
import { findingsOf } from "@/core/findings/check";
import { currentDesign, openOnBench, undoEdit, useBench } from "./bench";
import { placeOpen, adoptChosenPlan, wireAsChosen } from "./briefEdits";
import { openDatabase } from "./database";
import { saveDesign } from "./designRepository";
import { fillKeymapNow } from "./keymapEdits";

let number = 0;

async function open(design: Design): Promise<void> {
  const own = { ...design, id: `lazy-${(number += 1)}` };
  await saveDesign(own, null, own.id, new Date("2026-03-04T05:06:07Z"));
  await openOnBench(own.id);
}

const wished = () => changeWish(newDesign("wish", "Wish"), { keys: 9, encoders: 1, lamps: 2 });
const plan = {
  switchStrategy: "matrix",
  turnStrategy: "direct",
  lampStrategy: "direct",
  voltageStrategy: "direct",
  profileId: "small-5v-18",
} as unknown as NonNullable<Design["brief"]["chosen"]>;
const steps = () => useBench.getState().history!.past.map(({ title }) => title);

beforeEach(async () => {
  await (await openDatabase()).clear("designs");
});

describe("Edits that come with their first use", () => {
  it("place what the brief leaves open, as one step", async () => {
    await open(wished());
    expect(isBriefOpen(currentDesign()!)).toBe(true);
    await placeOpen();
    expect(steps()).toEqual(["place the brief"]);
    expect(isBriefOpen(currentDesign()!)).toBe(false);
    expect(budgetLines(currentDesign()!).map(({ line, placed }) => [line, placed])).toEqual([
      ["keys", 9],
      ["encoders", 1],
      ["lamps", 2],
    ]);
    expect(currentDesign()!.circuits).toEqual([]);
    undoEdit();
    expect(currentDesign()!.controls).toEqual([]);
  });

  it("wire what they place when a plan is chosen", async () => {
    await open(wished());
    await adoptChosenPlan(plan);
    expect(currentDesign()!.controllers.map(({ profileId }) => profileId)).toEqual(["small-5v-18"]);
    await placeOpen();
    const { elements, circuitsOf } = derive(currentDesign()!);
    expect([...elements.keys()].filter((id) => !circuitsOf.has(id))).toEqual([]);
    expect(currentDesign()!.circuits.map(({ kind }) => kind)).toContain("matrix");
  });

  it("wire as the plan says, and say when its way is not known", async () => {
    await open({ ...keyBlock(3, 3), brief: { ...keyBlock(3, 3).brief, chosen: plan } });
    expect(await wireAsChosen("by-magic")).toBe(false);
    expect(await wireAsChosen("constructor")).toBe(false);
    expect(steps()).toEqual([]);
    expect(await wireAsChosen("matrix")).toBe(true);
    expect(steps()).toEqual(["wire as planned"]);
    expect(findingsOf(currentDesign()!).filter(({ rule }) => rule === "wiring/unwired")).toEqual([]);
  });

  it("give a first keymap, once", async () => {
    const silent = keyBlock(3, 1);
    const layers = silent.keymap.layers.map((layer) => ({ ...layer, bindings: {} }));
    await open({ ...silent, keymap: { ...silent.keymap, layers } });
    await fillKeymapNow();
    expect(Object.keys(currentDesign()!.keymap.layers[0].bindings)).toHaveLength(3);
    await fillKeymapNow();
    expect(steps()).toEqual(["first keymap"]);
  });
});
