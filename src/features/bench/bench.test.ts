import { describe, expect, it } from "vitest";
import { finishedPad, matrixOf, pad } from "../../../tests/support/designs";
import { derive } from "@/core/derived/derive";
import { addLayer, bind } from "@/core/edits/keymap";
import { lockPins } from "@/core/edits/pins";
import { shareOutDirect } from "@/core/edits/wiring";
import { artifacts } from "@/core/exports/registry";
import { pinChoices } from "../pins/pinChoices";
import { lineChoices } from "../wiring/lineChoices";
import { capWords } from "./capWords";
import { legendWords } from "./legendWords";
import { exportChoices } from "./exportChoices";
import { neighbour } from "./neighbour";

const design = finishedPad();
const [base] = design.keymap.layers;
const control = (id: string, d = design) => derive(d).controls.get(id)!;

describe("arrows on the mat", () => {
  const go = (from: string, key: string, flipped = false) => neighbour(design.controls, from, key, flipped);

  it("lead to the next key in a row and in a column", () => {
    expect(go("k5", "ArrowRight")).toBe("k6");
    expect(go("k5", "ArrowLeft")).toBe("k4");
    expect(go("k5", "ArrowUp")).toBe("k2");
    expect(go("k5", "ArrowDown")).toBe("k8");
  });

  it("change left and right on the solder side", () => expect(go("k5", "ArrowRight", true)).toBe("k4"));
  it("end at the edge", () => expect(go("k9", "ArrowDown")).toBeNull());
  it("reach every control from every other", () => {
    const reached = new Set(["k1"]);
    for (const id of reached)
      for (const key of ["ArrowLeft", "ArrowRight", "ArrowUp", "ArrowDown"]) {
        const next = go(id, key);
        if (next) reached.add(next);
      }
    expect(reached.size).toBe(design.controls.length);
  });
});

describe("words on caps", () => {
  const layered = addLayer(design, "up", "Up");
  const up = layered.keymap.layers[1];

  it("are the label, and the cell under the wires lens", () => {
    expect(capWords(design, control("k5"), "outlines")).toEqual({ words: "K5", small: "" });
    expect(capWords(design, control("k5"), "wires")).toEqual({ words: "K5", small: "R3 C2" });
    const direct = shareOutDirect(pad());
    expect(capWords(direct, control("k5", direct), "wires").small).toBe("direct");
  });

  it("are the binding under the legends lens, with the label beneath", () => {
    const held = bind(design, "base", "k1:press", { does: "keyboard", usage: 0xe0, modifiers: 0 });
    expect(legendWords(held, control("k1", held), held.keymap.layers[0]).words).toBe("Left Ctrl");
    expect(legendWords(design, control("k1"), base)).toEqual({ words: "A", small: "K1", corners: "" });
  });

  it("carry what other layers say in their corners", () => {
    const own = bind(layered, "up", "k1:press", { does: "keyboard", usage: 0x3a, modifiers: 0 });
    expect(legendWords(own, control("k1", own), own.keymap.layers[0]).corners).toBe("F1");
  });

  it("shine through from the base in brackets", () => {
    expect(legendWords(layered, control("k1", layered), up).words).toBe("(A)");
    const own = bind(layered, "up", "k1:press", { does: "nothing" });
    expect(legendWords(own, control("k1", own), own.keymap.layers[1]).words).toBe("nothing");
  });
});

describe("choices", () => {
  const { profile, netById } = derive(design);
  const choices = (d = design) => pinChoices(d, profile!, netById.get("matrix.R1")!, (id) => netById.get(id)!.flag);

  it("of pins say who would be swapped, and bar locked ones", () => {
    const taken = design.pinPlan["matrix.C1"].pin;
    expect(choices().find(({ value }) => value === taken)!.label).toBe(`${taken} · swap with C1`);
    const locked = choices(lockPins(design, ["matrix.C1"], true)).find(({ value }) => value === taken)!;
    expect(locked).toMatchObject({ label: `${taken} · swap with C1 (locked)`, disabled: true });
  });

  it("of pins mark reserved ones and leave out power", () => {
    expect(choices().find(({ value }) => value === "P17")!.label).toBe("P17 (reserved)");
    expect(choices().some(({ value }) => value === "GND")).toBe(false);
  });

  it("of rows and columns are those in use and one more", () => {
    expect(lineChoices(matrixOf(design), "row").map(({ label }) => label)).toEqual(["R1", "R2", "R3", "R4", "R5"]);
    expect(lineChoices(matrixOf(design), "column")).toHaveLength(4);
  });

  it("of exports are those that exist, under the same names", () => {
    expect(exportChoices.map(({ id, title }) => ({ id, title }))).toEqual(
      artifacts.map(({ id, title }) => ({ id, title })),
    );
  });
});
