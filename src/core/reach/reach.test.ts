import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { keyBlock } from "../../../tests/support/designs";
import { addLayer, bind } from "../edits/keymap";
import type { Design } from "../document/schema";
import { guessHomes } from "./homes";
import { fingersOf, movementWords, reachOf, typingOf } from "./reach";

// A 3 × 3 block: A B C / D E F / G H I, one unit of 19.05 mm apart; the index finger rests on E.
const block: Design = { ...keyBlock(3, 3), reach: { homes: [{ finger: "right index", controlId: "k5" }], sample: "" } };
const typed = (sample: string, design = block) => reachOf({ ...design, reach: { ...design.reach, sample } });

describe("reach", () => {
  it("measures the way from home to the key: E costs nothing, B one unit, A a diagonal", () => {
    expect(typed("e").travelMm).toBe(0);
    expect(typed("b").travelMm).toBeCloseTo(19.05, 6);
    expect(typed("a").travelMm).toBeCloseTo(19.05 * Math.SQRT2, 6);
  });

  it("starts from where the finger is when it presses twice in a row", () => {
    const { travelMm, sameFinger, worst } = typed("bh");
    expect(travelMm).toBeCloseTo(3 * 19.05, 6);
    expect(sameFinger).toBe(1);
    expect(movementWords(block, worst[0])).toBe("K2 to K8 with the right index: 38 mm, once");
  });

  it("sends a finger home while another one works", () => {
    const two: Design = {
      ...block,
      reach: { ...block.reach, homes: [...block.reach.homes, { finger: "left index", controlId: "k4" }] },
    };
    const result = typed("bdh", two);
    expect(result.travelMm).toBeCloseTo(2 * 19.05, 6);
    expect(result.sameFinger).toBe(0);
    expect(fingersOf(two).get("k1")).toBe("left index");
  });

  it("counts presses for the heat, and names what no key types", () => {
    const { heat, untyped, presses } = typed("eeb!");
    expect([heat.get("k5"), heat.get("k2"), presses]).toEqual([2, 1, 3]);
    expect(untyped).toEqual(["!"]);
  });

  it("presses the layer's key too when a sign lies on a layer, and Shift for capitals", () => {
    const layered = bind(addLayer(block, "up", "Up"), "up", "k1:press", {
      does: "keyboard",
      usage: 0x1e,
      modifiers: 0,
    });
    const held = bind(layered, "base", "k9:press", { does: "hold-layer", layerId: "up" });
    expect(typingOf(held).get("1")).toEqual({ controlId: "k1", heldIds: ["k9"] });
    const shifted = bind(block, "base", "k9:press", { does: "keyboard", usage: 0xe1, modifiers: 0 });
    expect(typingOf(shifted).get("A")).toEqual({ controlId: "k1", heldIds: ["k9"] });
  });

  it("is empty without homes or text", () => {
    expect(reachOf({ ...block, reach: { homes: [], sample: "abc" } })).toMatchObject({ presses: 0, worst: [] });
    expect(typed("")).toMatchObject({ presses: 0, sameFinger: 0 });
  });
});

describe("homes from the keymap", () => {
  const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
  it("put ten fingers on Loom 64, each on a key of its own, Space under the thumb of its side", () => {
    const homes = guessHomes(loom);
    expect(homes).toHaveLength(10);
    expect(new Set(homes.map(({ controlId }) => controlId)).size).toBe(10);
    const label = (finger: string) =>
      loom.controls.find(({ id }) => id === homes.find((home) => home.finger === finger)!.controlId)!.label;
    expect([label("left index"), label("right index"), label("left thumb"), label("right thumb")]).toEqual([
      "F",
      "J",
      "Space",
      "Enter",
    ]);
  });
  it("are none where no key is bound to a resting finger's usage", () =>
    expect(guessHomes(keyBlock(0, 0))).toEqual([]));
});
