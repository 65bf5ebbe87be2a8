import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { changeControl } from "../edits/controls";
import { addLayer, bind, renameLayer } from "../edits/keymap";
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

  it("compare a design with more layers than the other", () => {
    const more = bind(addLayer(finishedPad(), "constructor", "More"), "constructor", "k1:press", key(5));
    expect(said(compareDesigns(more, finishedPad()))).toEqual(["K1 on More: B | as beneath"]);
  });
});
