import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { canBeHeard, listeningTo, outcomeHeard } from "./heard";
import { modelOf } from "./model";

const pad = finishedPad(3, 1);
const [a, b, c] = ["k1:press", "k2:press", "k3:press"];

describe("what a device types, heard as tests", () => {
  it("each key of a keymap that types a plain key of its own; others cannot be told", () => {
    expect([...listeningTo(pad).elementOf]).toEqual([
      ["key 4", a],
      ["key 5", b],
      ["key 6", c],
    ]);
    const loom = listeningTo(shelfDesigns.find(({ id }) => id === "loom-64")!);
    expect(loom.elementOf.size).toBeGreaterThan(50);
    expect(loom.elementOf.size + loom.deaf.size).toBe(64);
    const twice = structuredClone(pad);
    twice.keymap.layers[0].bindings[b] = { does: "keyboard", usage: 4, modifiers: 0 };
    expect(listeningTo(twice).deaf.has(a)).toBe(true);
    expect(listeningTo(twice).elementOf.has("key 4")).toBe(false);
    expect(canBeHeard(listeningTo(twice), { does: "hold", held: [c] })).toBe(true);
    expect(canBeHeard(listeningTo(twice), { does: "sweep", each: [b, c] })).toBe(false);
    expect(canBeHeard(listeningTo(pad), { does: "idle" })).toBe(false);
  });

  it("buttons of a game pad and notes of a channel, each told apart from a key of the same number", () => {
    const mixed = structuredClone(pad);
    const { bindings } = mixed.keymap.layers[0];
    bindings[b] = { does: "pad-button", button: 4 };
    bindings[c] = { does: "note", note: 4, velocity: 96, channel: 2 };
    expect([...listeningTo(mixed).elementOf]).toEqual([
      ["key 4", a],
      ["button 4", b],
      ["note 2 4", c],
    ]);
    const { elementOf, deaf } = listeningTo(shelfDesigns.find(({ id }) => id === "reedling")!);
    expect([...elementOf.keys()].some((signal) => signal.startsWith("note "))).toBe(true);
    expect(deaf.size).toBeGreaterThanOrEqual(0);
  });

  it("a press: nothing, itself, twice, or with another", () => {
    const press = { does: "hold" as const, held: [a] };
    expect(outcomeHeard(press, [])).toBe("");
    expect(outcomeHeard(press, [a])).toBe(a);
    expect(outcomeHeard(press, [a, a])).toBe(`${a}*2`);
    expect(outcomeHeard(press, [b, a])).toBe(`${a}+${b}`);
  });

  it("a sweep: only what differs; what is no part of it belongs to the press before", () => {
    const sweep = { does: "sweep" as const, each: [a, b] };
    expect(outcomeHeard(sweep, [a, b])).toBe("");
    expect(outcomeHeard(sweep, [b])).toBe(`${a}>`);
    expect(outcomeHeard(sweep, [a, c, b])).toBe(`${a}>${a}+${c}`);
    expect(outcomeHeard(sweep, [a, b, b])).toBe(`${b}>${b}*2`);
    expect(outcomeHeard(sweep, [c, a, b])).toBeNull();
    expect(outcomeHeard({ does: "idle" }, [])).toBeNull();
  });

  it("says what the model foretells, in the same form", () => {
    const { trials, rows, suspects } = modelOf(pad);
    const silent = suspects.findIndex(({ words }) => /^the diode of \S+ is missing/.test(words));
    const sweep = trials.findIndex(({ deed }) => deed.does === "sweep" && deed.each.length === 3);
    const [gone] = rows[sweep].others.get(silent)!.split(">");
    const { deed } = trials[sweep];
    const heard = [a, b, c].filter((id) => id !== gone);
    expect(outcomeHeard(deed, heard)).toBe(rows[sweep].others.get(silent));
  });
});
