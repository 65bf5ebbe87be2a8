import { describe, expect, it } from "vitest";
import { finishedPad, keyBlock, matrixOf, pad } from "../../../tests/support/designs";
import { derive } from "../derived/derive";
import { readDesign } from "../document/readDesign";
import type { Design } from "../document/schema";
import { addControl, changeControl, duplicateControls, nextLabel, removeControls, shiftControls } from "./controls";
import { addLayer, bind, removeLayer, setLampRule } from "./keymap";
import { placeBlock } from "./placeBlock";
import { setCell, shareOutDirect, unwire, wireAsUsual, wireDirect } from "./wiring";
import { newDesign } from "../document/newDesign";
import { setOwnDiode } from "./matrixDiodes";
import { shareOutMatrix } from "./shareOutMatrix";

const isSound = (design: Design) =>
  expect(readDesign(JSON.parse(JSON.stringify(design)))).toEqual({ ok: true, value: design });

describe("edits of controls", () => {
  it("label new ones with the next free number", () => {
    expect(nextLabel(keyBlock(2, 1), "K")).toBe("K3");
    expect(nextLabel(removeControls(keyBlock(3, 1), ["k2"]), "K")).toBe("K2");
  });

  it("leave what is not changed as the same object, so that drawing it again can be skipped", () => {
    const before = pad();
    const after = shiftControls(before, ["k1"], 5, 0);
    expect(after.controls[1]).toBe(before.controls[1]);
    expect(after.controls[0].placement.xMm).toBe(5);
    expect(before.controls[0].placement.xMm).toBe(0);
  });

  it("leave no crumbs after many small nudges", () => {
    let design = keyBlock(1, 1);
    for (let i = 0; i < 1000; i++) design = shiftControls(design, ["k1"], 0.1, -0.1);
    expect(design.controls[0].placement).toMatchObject({ xMm: 100, yMm: -100 });
  });

  it("keep a control's id and kind whatever is asked", () => {
    const changed = changeControl(pad(), "k1", { id: "other", kind: "lamp", label: "Named" } as never);
    expect(changed.controls[0]).toMatchObject({ id: "k1", kind: "key", label: "Named" });
  });

  it("take removed ones out of circuits, keymap, lamps and pins", () => {
    const before = setLampRule(finishedPad(), "l1", { when: "always" });
    const after = removeControls(before, ["k1", "l1", "e1"]);
    expect(matrixOf(after).cells["k1:press"]).toBeUndefined();
    expect(after.keymap.layers[0].bindings["k1:press"]).toBeUndefined();
    expect(after.keymap.lamps).toEqual({});
    expect(Object.keys(after.pinPlan).filter((net) => /e1|l1/.test(net))).toEqual([]);
    isSound(after);
  });

  it("take an encoder's push out of its circuit when it loses it", () => {
    const after = changeControl(finishedPad(), "e1", { push: false });
    expect(derive(after).elements.has("e1:press")).toBe(false);
    expect(matrixOf(after).cells["e1:press"]).toBeUndefined();
    isSound(after);
  });

  it("duplicate with new ids, labels and places, unwired", () => {
    let n = 0;
    const after = duplicateControls(finishedPad(), ["k1", "e1"], () => `copy${(n += 1)}`, [19.05, 0]);
    expect(after.controls.slice(-2).map(({ id, label }) => [id, label])).toEqual([
      ["copy1", "K10"],
      ["copy2", "E2"],
    ]);
    expect(derive(after).circuitsOf.has("copy1:press")).toBe(false);
    isSound(after);
  });

  it("place a block in reading order at the pitch", () => {
    let n = 0;
    const block = placeBlock(keyBlock(1, 1), 2, 2, { xMm: 100, yMm: 0 }, () => `b${(n += 1)}`);
    expect(block.controls.slice(1).map(({ placement }) => [placement.xMm, placement.yMm])).toEqual([
      [100, 0],
      [119.05, 0],
      [100, 19.05],
      [119.05, 19.05],
    ]);
  });

  it("add every kind with sound defaults", () => {
    const at = { xMm: 0, yMm: 0, rotationDeg: 0, boardId: "panel" };
    for (const kind of ["key", "encoder", "lamp"] as const) isSound(addControl(keyBlock(1, 0), kind, "new", at));
  });
});

describe("edits of the wiring", () => {
  it("put every element into exactly one circuit when shared out", () => {
    for (const design of [
      shareOutMatrix(pad(), "as-laid-out"),
      shareOutMatrix(pad(), "fewest-pins"),
      shareOutDirect(finishedPad()),
    ]) {
      const { elements, circuitsOf } = derive(design);
      for (const id of elements.keys()) expect(circuitsOf.get(id), id).toHaveLength(1);
      isSound(design);
    }
  });

  it("follow the rows as they lie, the push above the column it stands over", () => {
    const { cells } = matrixOf(shareOutMatrix(pad(), "as-laid-out"));
    expect(cells["e1:press"]).toEqual({ row: 0, column: 0 });
    expect(cells["k1:press"]).toEqual({ row: 1, column: 0 });
    expect(cells["k9:press"]).toEqual({ row: 3, column: 2 });
  });

  it("move a switch out of its old circuit into a cell", () => {
    const after = setCell(shareOutDirect(pad()), "k1:press", { row: 2, column: 3 });
    expect(derive(after).circuitsOf.get("k1:press")).toEqual(["matrix"]);
    isSound(after);
  });

  it("drop circuits that hold nothing any more", () => {
    const ids = [...derive(finishedPad()).elements.keys()];
    expect(unwire(finishedPad(), ids).circuits).toEqual([]);
    expect(unwire(finishedPad(), ids).pinPlan).toEqual({});
  });

  it("ignore elements that do not exist", () => expect(derive(wireDirect(pad(), ["ghost:press"])).nets).toEqual([]));

  it("forget left-out diodes of switches that leave the matrix", () => {
    const after = wireDirect(setOwnDiode(finishedPad(), ["k1:press"], false), ["k1:press"]);
    expect(matrixOf(after).withoutDiode).toEqual([]);
  });

  it("count one need a line: rows and columns once, direct switches and encoder ends each, ground never", () => {
    const { signalNets, nets } = derive(finishedPad());
    expect(signalNets).toHaveLength(4 + 3 + 2 + 1);
    expect(nets.filter((net) => net.need === null).map((net) => net.flag)).toEqual(["GND"]);
  });
});

describe("edits of the keymap", () => {
  const layered = bind(addLayer(finishedPad(), "up", "Up"), "base", "k1:press", { does: "hold-layer", layerId: "up" });

  it("take bindings and lamps along when their layer goes", () => {
    const after = removeLayer(setLampRule(layered, "l1", { when: "layer", layerId: "up" }), "up");
    expect(after.keymap.layers).toHaveLength(1);
    expect(after.keymap.layers[0].bindings["k1:press"]).toBeUndefined();
    expect(after.keymap.lamps).toEqual({});
    isSound(after);
  });

  it("never remove the base layer", () => expect(removeLayer(layered, "base")).toBe(layered));
  it("clear a binding", () =>
    expect(bind(layered, "base", "k1:press", null).keymap.layers[0].bindings["k1:press"]).toBeUndefined());
});

describe("wiring as usual", () => {
  const at = (nth: number) => ({ xMm: 40 * nth, yMm: 0, rotationDeg: 0, boardId: "panel" });
  const kinds = ["key", "lamp", "light", "light", "display", "segments", "radio", "encoder", "pot"] as const;
  const loose = kinds.reduce((d, kind, nth) => addControl(d, kind, `c${nth}`, at(nth)), newDesign("panel", "Panel"));
  const ids = [...derive(loose).elements.keys()];

  it("gives each device the circuit of its sort and a pin to what a pin can serve", () => {
    const wired = wireAsUsual(loose, ids);
    const { circuitsOf } = derive(wired);
    for (const id of ids) expect(circuitsOf.get(id), id).toHaveLength(1);
    const kindOf = (id: string) => wired.circuits.find((circuit) => circuit.id === circuitsOf.get(id)![0])!.kind;
    expect(new Set(ids.map(kindOf))).toEqual(
      new Set(["direct", "light-chain", "bus-displays", "segment-chain", "spi-radio"]),
    );
  });

  it("leaves alone what is not asked for, and does the same again", () => {
    const some = wireAsUsual(loose, ids.slice(0, 2));
    expect([...derive(some).circuitsOf.keys()]).toEqual(ids.slice(0, 2));
    const all = wireAsUsual(loose, ids);
    expect(
      derive(wireAsUsual(all, ids))
        .nets.map(({ id }) => id)
        .sort(),
    ).toEqual(
      derive(all)
        .nets.map(({ id }) => id)
        .sort(),
    );
  });
});
