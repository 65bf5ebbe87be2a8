import { describe, expect, it } from "vitest";
import { XMLValidator } from "fast-xml-parser";
import { demoDesigns } from "@demo/index";
import type { Artifact } from "./artifact";
import type { Design } from "../document/schema";
import { bind } from "../edits/keymap";
import { takeKeymap } from "../edits/takeKeymap";
import { fitLines } from "./fitLines";
import { keymapCard } from "./keymapCard";
import { keymapCsv, readKeymapCsv } from "./keymapCsv";
import { keymapWords } from "./keymapWords";

async function textOf(artifact: Artifact, design: Design): Promise<string> {
  const made = await artifact.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return Buffer.from(made.value.bytes).toString();
}
const loom = demoDesigns.find(({ id }) => id === "loom-64")!;

describe("the keymap as a table", () => {
  it.each(demoDesigns)("of $name reads back as it is", async (design) =>
    expect(readKeymapCsv(design, await textOf(keymapCsv, design))).toEqual({ changes: [], problems: [] }),
  );

  it.each(demoDesigns)("of $name brings an emptied keymap back", async (design) => {
    const text = await textOf(keymapCsv, design);
    const layers = design.keymap.layers.map((layer) => ({ ...layer, bindings: {} }));
    const empty = { ...design, keymap: { ...design.keymap, layers } };
    const back = takeKeymap(empty, readKeymapCsv(empty, text));
    expect(readKeymapCsv(back, text).changes).toEqual([]);
    expect(back.keymap.layers.map(({ bindings }) => Object.keys(bindings).length)).toEqual(
      design.keymap.layers.map(({ bindings }) => Object.keys(bindings).length),
    );
  });

  it("is taken in part when lines are bad, and these are named", async () => {
    const lines = (await textOf(keymapCsv, loom)).split("\r\n");
    const at = (id: string) => lines.findIndex((line) => line.includes(`,${id},`));
    lines[at("l22:press")] = "Q,l22:press,Left Control + q,,";
    lines[at("l23:press")] = "W,l23:press,Wibble,,";
    lines.splice(at("l24:press"), 1, "E,gone:press,E,,", "too short");
    const read = readKeymapCsv(loom, lines.join("\n"));
    expect(read.problems).toEqual([
      "Line 10, l23:press: “Wibble” is no phrase for what a key does.",
      "Line 11: the device has no input “gone:press”.",
      "Line 12: the device has no input “”.",
    ]);
    const changed = read.changes.map(({ layerId, inputId, binding }) => [layerId, inputId, binding?.does ?? null]);
    expect(changed).toEqual([
      ["base", "l22:press", "keyboard"],
      ["signs", "l22:press", null],
      ["pattern", "l22:press", null],
      ["signs", "l23:press", null],
      ["pattern", "l23:press", null],
    ]);
    const taken = takeKeymap(loom, read);
    expect(taken.keymap.layers[0].bindings["l22:press"]).toEqual({ does: "keyboard", usage: 0x14, modifiers: 1 });
    expect(taken.keymap.layers[0].bindings["l23:press"]).toEqual(loom.keymap.layers[0].bindings["l23:press"]);
  });

  it("says what is wrong with tables of something else", () => {
    expect(readKeymapCsv(loom, "").problems).toHaveLength(1);
    expect(readKeymapCsv(loom, "a,b\n1,2").problems[0]).toMatch(/no column “Id”/);
    expect(readKeymapCsv(loom, "Id,9 Other\nl22:press,A").problems).toEqual([
      "Column “9 Other” is no layer: its head begins with the layer's number, 1 to 3.",
    ]);
    expect(readKeymapCsv(loom, '\uFEFFId,1 Base\nl22:press,"""').changes).toEqual([]);
  });

  it("keeps signs that a spreadsheet would take for a formula", async () => {
    const signs = bind(loom, "base", "l22:press", { does: "keyboard", usage: 0x2e, modifiers: 0 });
    const text = await textOf(keymapCsv, signs);
    expect(text).toContain("l22:press,'=,");
    expect(readKeymapCsv(signs, text).changes).toEqual([]);
  });
});

describe("the keymap on paper", () => {
  it.each(demoDesigns)("of $name is a page a layer, sound, with letters of 2.5 mm and more", async (design) => {
    const text = await textOf(keymapCard, design);
    expect(text.match(/<section>/g)!.length).toBeGreaterThanOrEqual(design.keymap.layers.length);
    expect(XMLValidator.validate(text.replace("<!doctype html>", "").replace('<meta charset="utf-8">', ""))).toBe(true);
    for (const svg of text.match(/<svg.*?<\/svg>/gs)!) {
      const [, width] = /width="([\d.]+)mm"/.exec(svg)!;
      const [, units] = /viewBox="\S+ \S+ (\S+) /.exec(svg)!;
      const smallest = Math.min(...[...svg.matchAll(/font-size="([\d.]+)"/g)].map(([, size]) => Number(size)));
      expect((smallest * Number(width)) / Number(units)).toBeGreaterThan(2.49);
    }
  });

  it("tells what fits on no cap, and keys together, by words beneath", async () => {
    const text = await textOf(keymapCard, loom);
    expect(text).toContain("<li>1  Caps: Escape when tapped, Left Control when held</li>");
    expect(text).toContain("<li>J and K together: Escape</li>");
  });

  it("fits words into a box, or says that they do not", () => {
    const sizes = { smallest: 2.5, largest: 4, letter: 0.5 };
    expect(fitLines("Left Shift", { width: 20, height: 5 }, sizes)).toEqual({ lines: ["Left Shift"], size: 4 });
    expect(fitLines("Left Shift", { width: 11, height: 12 }, sizes)!.lines).toEqual(["Left", "Shift"]);
    expect(fitLines("Backspace", { width: 5, height: 50 }, sizes)).toBeNull();
    expect(fitLines("a b c d", { width: 2, height: 8 }, sizes)).toBeNull();
  });

  it("is also a list of plain lines, macros with their steps", async () => {
    const text = await textOf(keymapWords, loom);
    expect(text).toContain("\nCaps: Escape when tapped, Left Control when held.\n");
    expect(text).toContain("\nSign-off, played 1 time\n1. type “With kind regards, the pattern room”\n2. tap Enter\n");
    expect(text.startsWith("Loom 64\nFor a computer set to English, United States.\n")).toBe(true);
  });
});
