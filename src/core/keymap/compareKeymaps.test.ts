import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { setAxisUse } from "../edits/axes";
import { addControl, changeControl } from "../edits/controls";
import { setPage } from "../edits/displays";
import type { DisplayPage, PageThing } from "../document/displayPages";
import type { Binding } from "../bindings";
import { usualKnob } from "../document/knobs";
import type { Design } from "../document/schema";
import { addLayer, bind, renameLayer, setKnob } from "../edits/keymap";
import { addMacro, changeMacro } from "../edits/macros";
import { compareDesigns, compareLayers } from "./compareKeymaps";

const key = (usage: number) => ({ does: "keyboard", usage, modifiers: 0 }) as const;
const said = (differences: ReturnType<typeof compareDesigns>) =>
  differences.map(({ label, layer, here, there }) => `${label} on ${layer}: ${here} | ${there}`);

describe("two layers", () => {
  const layered = bind(addLayer(finishedPad(), "up", "Up"), "up", "k1:press", key(0x1e));
  it("are compared input by input", () => {
    expect(said(compareLayers(layered, "base", "up"))).toEqual(["K1 on Base: A | 1"]);
    expect(said(compareLayers(layered, "up", "base"))).toEqual(["K1 on Up: 1 | A"]);
    expect(compareLayers(layered, "up", "up")).toEqual([]);
  });
});

describe("two keymaps", () => {
  it.each(demoDesigns)("$name is itself", (design) => expect(compareDesigns(design, design)).toEqual([]));

  it("tell what is bound otherwise, on every layer", () => {
    const older = addLayer(finishedPad(), "up", "Up");
    const newer = bind(bind(renameLayer(older, "up", "Over"), "base", "k2:press", key(0x1e)), "up", "k3:press", key(4));
    expect(said(compareDesigns(newer, older))).toEqual(["K2 on Base: 1 | B", "K3 on Over: A | as beneath"]);
  });

  it("find keys by their label where ids differ, and tell what only one has", () => {
    const older = finishedPad();
    const moved = {
      ...older,
      controls: older.controls.map((control) => (control.id === "k1" ? { ...control, id: "other" } : control)),
      keymap: {
        ...older.keymap,
        layers: older.keymap.layers.map((layer) => {
          const { "k1:press": first, ...rest } = layer.bindings;
          return { ...layer, bindings: { ...rest, "other:press": first } };
        }),
      },
    };
    expect(compareDesigns(older, moved)).toEqual([]);
    const renamed = changeControl(moved, "other", { label: "Z" });
    expect(said(compareDesigns(older, renamed))).toEqual([
      "K1 on Base: A | no such input",
      "Z on Base: no such input | A",
    ]);
  });

  it("tell what the same phrase hides: speeds, times, a macro's steps, a knob's", () => {
    const move = (speed: number) => ({ does: "pointer-move", direction: "up", speed, rampMs: 0 }) as const;
    const withMacro = (text: string) => {
      const made = addMacro(finishedPad(), "m", "Words");
      return changeMacro(made, "m", { steps: [{ step: "text", text }] });
    };
    const on = (design: Design, binding: Binding) => bind(design, "base", "k1:press", binding);
    expect(said(compareDesigns(on(finishedPad(), move(100)), on(finishedPad(), move(200))))).toEqual([
      "K1 on Base: pointer up at 100 a second, after 0 ms | pointer up at 200 a second, after 0 ms",
    ]);
    const play = { does: "macro", macroId: "m" } as const;
    expect(compareDesigns(on(withMacro("a"), play), on(withMacro("b"), play))).toHaveLength(1);
    expect(compareDesigns(on(withMacro("a"), play), on(withMacro("a"), play))).toEqual([]);
    const turned = finishedPad().controls.find(({ kind }) => kind === "encoder")!;
    const knob = bind(finishedPad(), "base", `${turned.id}:cw`, key(5));
    const told = setKnob(knob, `${turned.id}:turn`, { ...usualKnob, told: 2 });
    expect(said(compareDesigns(told, knob)).join()).toMatch(/; a felt step told 2 times, value to 24 \| B$/);
  });

  it("are the same whatever order a file keeps a binding's parts in", () => {
    const keys = bind(finishedPad(), "base", "k1:press", { does: "keyboard", usage: 9, modifiers: 1 });
    const other = bind(finishedPad(), "base", "k1:press", { modifiers: 1, usage: 9, does: "keyboard" });
    expect(compareDesigns(keys, other)).toEqual([]);
  });

  it("compare a design with more layers than the other", () => {
    const more = bind(addLayer(finishedPad(), "constructor", "More"), "constructor", "k1:press", key(5));
    expect(said(compareDesigns(more, finishedPad()))).toEqual(["K1 on More: B | as beneath"]);
  });
});

describe("what is moved and shown", () => {
  const glass = addControl(finishedPad(), "display", "glass", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" });
  const page: DisplayPage = [{ shows: "text", column: 0, row: 0, columns: 60, text: "Up" }];
  const shown = setPage(glass, "base", "glass", page);

  it("is compared by its part: pages, digits, axes", () => {
    const [one] = compareDesigns(shown, glass);
    expect(one).toMatchObject({ inputId: null, layer: "Base", here: "shows “Up”", there: "as beneath" });
    const other = setPage(glass, "base", "glass", [{ ...page[0], text: "Down" } as PageThing]);
    expect(compareDesigns(shown, other)).toMatchObject([{ here: "shows “Up”", there: "shows “Down”" }]);
    expect(compareDesigns(shown, shown)).toEqual([]);
    const stick = addControl(finishedPad(), "stick", "s", { xMm: 200, yMm: 0, rotationDeg: 0, boardId: "panel" });
    const moving = setAxisUse(stick, "base", "s:x", { does: "pointer", along: "right", speed: 400 });
    expect(compareDesigns(stick, moving)).toMatchObject([
      { here: "as beneath", there: expect.stringContaining("pointer") },
    ]);
  });

  it("is told to be set otherwise where the same words would hide it", () => {
    const moved = setPage(glass, "base", "glass", [{ ...page[0], column: 6 }]);
    expect(compareDesigns(shown, moved)).toMatchObject([{ here: "shows “Up”", there: "shows “Up”, set otherwise" }]);
  });
});
