import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import type { Glow, GlowRule, GlowShows } from "../document/glows";
import { addControl } from "../edits/controls";
import { glowWords } from "./glowWords";

const at = (xMm: number) => ({ xMm, yMm: 90, rotationDeg: 0, boardId: "panel" });
const design = ["p", "q", "r", "s"].reduce((d, id, nth) => addControl(d, "light", id, at(20 * nth)), finishedPad());
const labels = design.controls.filter(({ kind }) => kind === "light").map(({ label }) => label);
const still: GlowShows = { how: "still", colour: "#802000" };
const said = (when: GlowRule, shows: GlowShows = still, more: Partial<Glow> = {}) =>
  glowWords({ id: "g", lights: null, when, shows, fadeMs: 0, ...more }, design);
const always: GlowRule = { when: "always" };

describe("a glow in words", () => {
  it("says which lights, or how many", () => {
    expect(said(always)).toBe("all lights, always: #802000");
    expect(said(always, still, { lights: ["p:light", "q:light"] })).toBe(
      `${labels[0]} and ${labels[1]}, always: #802000`,
    );
    expect(said(always, still, { lights: ["p:light", "q:light", "r:light", "s:light"] })).toMatch(/^4 lights, /);
  });

  it("says when it is seen, also of what is gone", () => {
    expect(said({ when: "layer", layerId: design.keymap.layers[0].id })).toContain(
      `while ${design.keymap.layers[0].name} is active`,
    );
    expect(said({ when: "layer", layerId: "constructor" })).toContain("while a layer that is gone is active");
    expect(said({ when: "held", inputId: "toString" })).toContain("while an input that is gone is held");
    expect(said({ when: "value", elementId: "x", atLeast: 3 })).toContain("from 3 of a knob that is gone on");
    expect(said({ when: "lock", lock: "caps" })).toContain("while the host's caps lock is on");
    expect(said({ when: "own-key" })).toContain("while the key beside it is held");
    expect(said({ when: "next" })).toContain("while something waits for the next key");
    expect(said({ when: "awake" })).toContain("while it keeps the computer awake");
  });

  it("says what is seen, and how it goes", () => {
    const two = { colour: "#000000", other: "#ff0000" };
    expect(said(always, { how: "swell", ...two, periodMs: 1500 }, { fadeMs: 250 })).toBe(
      "all lights, always: from #000000 to #ff0000 and back in 1.5 s, fading in 0.25 s",
    );
    expect(said(always, { how: "wave", ...two, periodMs: 4000, lightsAWave: 8 })).toMatch(/in 4 s, travelling along/);
    expect(said(always, { how: "round", percent: 50, periodMs: 4000, lightsAWave: 0 })).toMatch(
      /through all colours in 4 s/,
    );
    expect(said(always, { how: "embers", ...two, periodMs: 4000 })).toMatch(/each light by itself/);
    expect(said(always, { how: "value", ...two, elementId: "x" })).toMatch(/by the value of a knob that is gone/);
  });
});
