import { describe, expect, it } from "vitest";
import { keyBlock } from "../../../tests/support/designs";
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
import { fillKeymap, firstBindings } from "./firstKeymap";
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
