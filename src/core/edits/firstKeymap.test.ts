import { describe, expect, it } from "vitest";
import { finishedPad, keyBlock } from "../../../tests/support/designs";
import { controlKinds } from "../catalogue/kinds";
import { phraseOf } from "../bindings";
import { derive } from "../derived/derive";
import { newDesign } from "../document/newDesign";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { findingsOf } from "../findings/check";
import { usageOfLabel } from "../hid/usageOfLabel";
import { phraseContextOf } from "../keymap/phraseContext";
import { addControl, changeControl } from "./controls";
import {
  type StartingWay,
  fillKeymap,
  firstBindings,
  startKeymap,
  startingBindings,
  startingWays,
} from "./firstKeymap";
import { addLayer, bind } from "./keymap";

const bare = (design: Design): Design => ({
  ...design,
  keymap: { ...design.keymap, layers: design.keymap.layers.map((layer) => ({ ...layer, bindings: {} })) },
  reportSet: { ...design.reportSet, interfaces: [] },
});
const labelled = (design: Design, labels: string[]) =>
  labels.reduce((d, label, nth) => changeControl(d, `k${nth + 1}`, { label }), design);
const phrases = (design: Design) => {
  const context = phraseContextOf(design);
  return derive(design).inputs.map(({ id }) => {
    const binding = design.keymap.layers[0].bindings[id];
    return binding ? phraseOf(binding, context) : "";
  });
};
const at = { xMm: 0, yMm: -60, rotationDeg: 0, boardId: "panel" };

describe("A first keymap", () => {
  it("takes what the labels name, and spare function keys for a few others in reading order", () => {
    const design = labelled(bare(keyBlock(3, 2)), ["Esc", "Q", "7", "Shift L", "K5", "Left"]);
    expect(phrases(fillKeymap(design))).toEqual(["Escape", "Q", "7", "Left Shift", "F13", "Left Arrow"]);
  });

  it("writes letters and digits where there are more than twelve, none of them twice", () => {
    const full = phrases(fillKeymap(labelled(bare(keyBlock(10, 3)), ["E"])));
    expect(full.slice(0, 6)).toEqual(["E", "A", "B", "C", "D", "F"]);
    expect(new Set(full).size).toBe(30);
  });

  it("gives knobs and five-ways their usual work, and declares what it reports on", () => {
    const knobs = [0, 1].reduce(
      (d, nth) => addControl(d, "encoder", `e${nth}`, { ...at, xMm: nth * 30 }),
      addControl(bare(newDesign("d", "D")), "five-way", "f", { ...at, yMm: 0 }),
    );
    const filled = fillKeymap(knobs);
    const words = phrases(filled);
    for (const word of ["Up Arrow", "Down Arrow", "Volume Increment", "Volume Decrement"])
      expect(words).toContain(word);
    expect(words).not.toContain("");
    expect([...filled.reportSet.interfaces].sort()).toEqual(["consumer", "keyboard"].sort());
  });

  it("leaves alone what is bound on any layer", () => {
    const upper = addLayer(bare(keyBlock(2, 1)), "up", "Up");
    const some = bind(upper, "up", "k1:press", { does: "keyboard", usage: 5, modifiers: 0 });
    const filled = fillKeymap(some);
    expect(filled.keymap.layers[0].bindings).not.toHaveProperty("k1:press");
    expect(filled.keymap.layers[0].bindings).toHaveProperty("k2:press");
    expect(fillKeymap(filled)).toBe(filled);
  });

  it("is offered with the finding and settles it, for every kind of control", () => {
    for (const { kind } of controlKinds) {
      const one = bare(addControl(newDesign("d", "D"), kind, "c", at));
      const filled = fillKeymap(one);
      expect(readDesign(JSON.parse(JSON.stringify(filled))).ok).toBe(true);
      expect(findingsOf(filled).filter(({ rule }) => /unbound|missing-interface/.test(rule))).toEqual([]);
    }
  });

  it("is not offered where there are more inputs than keys", () => {
    expect(firstBindings(bare(keyBlock(20, 10)))).toBeNull();
    expect(fillKeymap(bare(keyBlock(20, 10)))).toEqual(bare(keyBlock(20, 10)));
  });
});

describe("A label", () => {
  it("means a usage by its name, its sign or everyday words, and nothing by chance", () => {
    expect(usageOfLabel("  escape ")).toEqual({ page: "keyboard", usage: 0x29 });
    expect(usageOfLabel(";")).toEqual({ page: "keyboard", usage: 0x33 });
    expect(usageOfLabel("F13")).toEqual({ page: "keyboard", usage: 0x68 });
    expect(usageOfLabel("Mute")).toEqual({ page: "consumer", usage: 0xe2 });
    for (const label of ["K1", "", "constructor", "Blind 3", "toString", "__proto__"])
      expect(usageOfLabel(label)).toBeNull();
  });
});

describe("ways to begin a keymap", () => {
  const inOrder = (design: Design, way: StartingWay) =>
    [...startingBindings(design, way)].map(
      ([id, binding]) => `${id} ${"usage" in binding ? binding.usage.toString(16) : ""}`,
    );
  const open = () => bare(finishedPad());

  it("take letters, function keys and the number pad in reading order", () => {
    expect(inOrder(bare(keyBlock(3, 3)), "letters").slice(0, 3)).toEqual(["k1:press 4", "k2:press 5", "k3:press 6"]);
    expect(inOrder(bare(keyBlock(3, 3)), "function-keys").slice(0, 2)).toEqual(["k1:press 68", "k2:press 69"]);
    expect(inOrder(bare(keyBlock(3, 3)), "number-pad").slice(0, 4)).toEqual([
      "k1:press 5f",
      "k2:press 60",
      "k3:press 61",
      "k4:press 5c",
    ]);
  });

  it("leave open what there are no keys for", () => {
    const many = bare(keyBlock(6, 6));
    expect(startingBindings(many, "function-keys").size).toBe(12);
    expect(startingBindings(many, "number-pad").size).toBe(16);
  });

  it("give knobs media, their pushes too", () =>
    expect(inOrder(open(), "media")).toEqual(["e1:cw e9", "e1:ccw ea", "e1:press e2"]));

  it("take what labels name, and nothing else", () => {
    const named = changeControl(open(), "k2", { label: "Esc" });
    expect(inOrder(named, "labels")).toEqual(["k2:press 29"]);
  });

  it.each(startingWays)("%s: never over what is bound, no key twice, reports declared", (way) => {
    const some = bind(open(), "base", "k2:press", { does: "keyboard", usage: 4, modifiers: 0 });
    const started = startKeymap(some, way);
    expect(started.keymap.layers[0].bindings["k2:press"]).toEqual({ does: "keyboard", usage: 4, modifiers: 0 });
    const usages = Object.values(started.keymap.layers[0].bindings).map((one) => JSON.stringify(one));
    expect(new Set(usages).size).toBe(usages.length);
    expect(startingBindings(started, way).size).toBeLessThanOrEqual(startingBindings(some, way).size);
    if (startingBindings(some, way).size > 0) expect(started.reportSet.interfaces.length).toBeGreaterThan(0);
  });
});
