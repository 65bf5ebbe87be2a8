import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { addLayer, bind } from "../edits/keymap";
import type { Design } from "../document/schema";
import { phraseContextOf } from "./phraseContext";
import { type Binding, bindingSchema, phraseOf } from "../bindings";
import { layersWithoutReturn, reachableLayers } from "./layerReach";

const layered = addLayer(addLayer(finishedPad(), "up", "Up"), "top", "Top");
const hold = (layerId: string): Binding => ({ does: "hold-layer", layerId });
const stay = (layerId: string): Binding => ({ does: "stay-layer", layerId });
const on = (design: Design, layer: string, input: string, binding: Binding) =>
  bind(design, layer, `${input}:press`, binding);

describe("phrases", () => {
  const phrase = (binding: Binding) => phraseOf(binding, phraseContextOf(layered));

  it.each<[Binding, string]>([
    [{ does: "keyboard", usage: 0x04, modifiers: 0 }, "A"],
    [{ does: "keyboard", usage: 0x06, modifiers: 0b11 }, "Left Control + Left Shift + C"],
    [{ does: "consumer", usage: 0xe9 }, "Volume Increment"],
    [{ does: "consumer", usage: 0x3fe }, "consumer usage 0x3FE"],
    [hold("up"), "hold for Up"],
    [stay("base"), "stay on Base"],
    [{ does: "nothing" }, "nothing"],
    [hold("gone"), "hold for a layer that is gone"],
  ])("%o is %s", (binding, words) => expect(phrase(binding)).toBe(words));

  it.each([
    { does: "keyboard", usage: 3, modifiers: 0 },
    { does: "keyboard", usage: 4, modifiers: 256 },
    { does: "consumer", usage: 0 },
    { does: "consumer", usage: 0x400 },
    { does: "hold-layer" },
    { does: "dance" },
  ])("%o is no binding", (binding) => expect(bindingSchema.safeParse(binding).success).toBe(false));
});

describe("layers that can be reached", () => {
  it("are only the base without a key that leads on", () => expect([...reachableLayers(layered)]).toEqual(["base"]));

  it("are found through other layers", () => {
    const chained = on(on(layered, "base", "k1", hold("up")), "up", "k2", stay("top"));
    expect([...reachableLayers(chained)].sort()).toEqual(["base", "top", "up"]);
  });

  it("are not found from a layer that itself is not reached", () => {
    expect([...reachableLayers(on(layered, "up", "k1", hold("top")))]).toEqual(["base"]);
  });

  it("may lead in circles", () => {
    const circle = on(on(layered, "base", "k1", stay("up")), "up", "k1", stay("base"));
    expect([...reachableLayers(circle)].sort()).toEqual(["base", "up"]);
    expect(layersWithoutReturn(circle)).toEqual([]);
  });
});

describe("layers without return", () => {
  it("are those one stays on, with the keys that lead there", () => {
    const trap = on(on(layered, "base", "k1", stay("up")), "base", "k2", stay("up"));
    expect(layersWithoutReturn(trap)).toEqual([{ layerId: "up", enteredBy: ["k1:press", "k2:press"] }]);
  });

  it("are never those one only holds", () =>
    expect(layersWithoutReturn(on(layered, "base", "k1", hold("up")))).toEqual([]));

  it("are also two that lead only to each other", () => {
    const onward = on(on(layered, "base", "k1", stay("up")), "up", "k2", stay("top"));
    expect(layersWithoutReturn(onward).map(({ layerId }) => layerId)).toEqual(["up", "top"]);
  });

  it("may be left through a layer that is held meanwhile", () => {
    const through = on(on(on(layered, "base", "k1", stay("up")), "up", "k1", hold("top")), "top", "k2", stay("base"));
    expect(layersWithoutReturn(through)).toEqual([]);
  });

  it("are neither entered nor left by an input that the device does not have", () => {
    const ghost = on(layered, "base", "k99", stay("up"));
    expect([...reachableLayers(ghost)]).toEqual(["base"]);
    const trap = on(on(layered, "base", "k1", stay("up")), "up", "k99", stay("base"));
    expect(layersWithoutReturn(trap).map(({ layerId }) => layerId)).toEqual(["up"]);
  });
});
