import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { addLayer, bind } from "@/core/edits/keymap";
import { inputForUsage } from "./ownKeys";

const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
const key = (usage: number) => ({ does: "keyboard", usage, modifiers: 0 }) as const;

describe("a key of one's own keyboard", () => {
  it("presses the input that types it now, and nothing where only another layer would", () => {
    expect(inputForUsage(loom, 0x14, [0])?.id).toBe("l22:press");
    expect(inputForUsage(loom, 0x2e, [0])).toBeUndefined();
    expect(inputForUsage(loom, 0x2e, [0, 1])?.id).toBe("r34:press");
    // On the signs, what stands there hides the letter beneath.
    expect(inputForUsage(loom, 0x0f, [0, 1])).toBeUndefined();
  });

  it("presses a plain key rather than one with two jobs", () =>
    expect(inputForUsage(loom, 0x29, [0])?.id).toBe("l11:press"));

  it("knows knobs, and layers by any name", () => {
    const knob = bind(finishedPad(), "base", "e1:cw", key(0x51));
    expect(inputForUsage(knob, 0x51, [])?.id).toBe("e1:cw");
    const named = bind(addLayer(finishedPad(), "constructor", "x"), "constructor", "k1:press", key(0x1e));
    expect(inputForUsage(named, 0x1e, [1])?.id).toBe("k1:press");
    expect(inputForUsage(named, 0x1e, [9])).toBeUndefined();
  });
});
