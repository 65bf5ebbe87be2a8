import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { type HeardMove, canBeHeard, listeningTo, outcomeHeard } from "./heard";
import { modelOf } from "./model";
import { testKeymapOf } from "./testKeymap";
import type { TrialDeed } from "./trial";

const pad = finishedPad(3, 1);
const [a, b, c] = ["k1:press", "k2:press", "k3:press"];
const press = (elementId: string): HeardMove => ({ elementId, motion: "press" });
const told = (deed: TrialDeed, ...ids: string[]) => outcomeHeard(deed, ids.map(press));

describe("what a device types, heard as tests", () => {
  it("each key of a keymap that types a plain key of its own; others cannot be told", () => {
    expect([...listeningTo(pad).moveOf]).toEqual([
      ["key 4", press(a)],
      ["key 5", press(b)],
      ["key 6", press(c)],
    ]);
    const loom = listeningTo(shelfDesigns.find(({ id }) => id === "loom-64")!);
    expect(loom.moveOf.size).toBeGreaterThan(50);
    expect(loom.moveOf.size + loom.deaf.size).toBe(64);
    const twice = structuredClone(pad);
    twice.keymap.layers[0].bindings[b] = { does: "keyboard", usage: 4, modifiers: 0 };
    expect(listeningTo(twice).deaf.has(a)).toBe(true);
    expect(listeningTo(twice).moveOf.has("key 4")).toBe(false);
    expect(canBeHeard(listeningTo(twice), { does: "hold", held: [c] })).toBe(true);
    expect(canBeHeard(listeningTo(twice), { does: "sweep", each: [b, c] })).toBe(false);
    expect(canBeHeard(listeningTo(pad), { does: "idle" })).toBe(false);
  });

  it("buttons of a game pad and notes of a channel, each told apart from a key of the same number", () => {
    const mixed = structuredClone(pad);
    const { bindings } = mixed.keymap.layers[0];
    bindings[b] = { does: "pad-button", button: 4 };
    bindings[c] = { does: "note", note: 4, velocity: 96, channel: 2 };
    expect([...listeningTo(mixed).moveOf]).toEqual([
      ["key 4", press(a)],
      ["button 4", press(b)],
      ["note 2 4", press(c)],
    ]);
    const { moveOf, deaf } = listeningTo(shelfDesigns.find(({ id }) => id === "reedling")!);
    expect([...moveOf.keys()].some((signal) => signal.startsWith("note "))).toBe(true);
    expect(deaf.size).toBeGreaterThanOrEqual(0);
  });

  it("a press: nothing, itself, twice, or with another", () => {
    const one = { does: "hold" as const, held: [a] };
    expect(told(one)).toBe("");
    expect(told(one, a)).toBe(a);
    expect(told(one, a, a)).toBe(`${a}*2`);
    expect(told(one, b, a)).toBe(`${a}+${b}`);
  });

  it("a sweep: only what differs; what is no part of it belongs to the press before", () => {
    const sweep = { does: "sweep" as const, each: [a, b] };
    expect(told(sweep, a, b)).toBe("");
    expect(told(sweep, b)).toBe(`${a}>`);
    expect(told(sweep, a, c, b)).toBe(`${a}>${a}+${c}`);
    expect(told(sweep, a, b, b)).toBe(`${b}>${b}*2`);
    expect(told(sweep, c, a, b)).toBeNull();
    expect(told({ does: "idle" })).toBeNull();
  });

  it("a knob: felt steps less those the other way, and what else was told", () => {
    const turn = { does: "turn" as const, elementId: "e1" };
    const step = (motion: HeardMove["motion"], elementId = "e1"): HeardMove => ({ elementId, motion });
    expect(outcomeHeard(turn, [])).toBe("0");
    expect(
      outcomeHeard(
        turn,
        Array.from({ length: 4 }, () => step("clockwise")),
      ),
    ).toBe("4");
    expect(outcomeHeard(turn, [step("anticlockwise"), step("anticlockwise"), step("clockwise")])).toBe("-1");
    expect(outcomeHeard(turn, [step("clockwise"), press(b), press(b), step("clockwise", "e2")])).toBe(`1+${b}`);
  });

  it("with the keymap for tests everything that is pressed or turned is heard, and nothing twice", () => {
    for (const design of shelfDesigns) {
      const tests = testKeymapOf(design);
      expect(tests.left).toBe(0);
      const { moveOf, deaf } = listeningTo(tests.design);
      expect([...deaf]).toEqual([]);
      expect(moveOf.size).toBe(tests.inputOf.size);
      for (const [usage, { elementId, motion }] of tests.inputOf)
        expect(moveOf.get(`key ${usage}`)).toEqual({ elementId, motion });
    }
  });

  it("a key that no page hears tells nothing", () => {
    const far = structuredClone(pad);
    far.keymap.layers[0].bindings[b] = { does: "keyboard", usage: 0xa0, modifiers: 0 };
    const [before, then] = [pad, far].map((design) => listeningTo(design).deaf);
    expect([...then].filter((id) => !before.has(id))).toEqual([b]);
  });

  it("says what the model foretells, in the same form", () => {
    const { trials, rows, suspects } = modelOf(pad);
    const silent = suspects.findIndex(({ words }) => /^the diode of \S+ is missing/.test(words));
    const sweep = trials.findIndex(({ deed }) => deed.does === "sweep" && deed.each.length === 3);
    const [gone] = rows[sweep].others.get(silent)!.split(">");
    const { deed } = trials[sweep];
    const heard = [a, b, c].filter((id) => id !== gone);
    expect(told(deed, ...heard)).toBe(rows[sweep].others.get(silent));
  });
});
