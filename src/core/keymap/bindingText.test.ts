import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { finishedPad } from "../../../tests/support/designs";
import { pointingBinding } from "../../../tests/support/pointing";
import type { Binding, SimpleBinding } from "../bindings";
import { holdSchools } from "../bindings/twoJobs";
import { addLayer } from "../edits/keymap";
import { addMacro } from "../edits/macros";
import { keyboardUsageNamed, keyboardUsages } from "../hid/keyboardUsages";
import { consumerUsages } from "../hid/consumerUsages";
import { bindingText, readBindingText } from "./bindingText";

const { keymap } = addMacro(
  addMacro(addLayer(addLayer(finishedPad(), "up", "Up when held (x); y"), "same", "Base"), "m", "constructor"),
  "n",
  "a (b) again after 3 ms",
);
const layerId = fc.constantFrom(...keymap.layers.map(({ id }) => id));
const modifiers = fc.integer({ min: 0, max: 255 });
const key = fc.record({ usage: fc.integer({ min: 4, max: 0xdf }), modifiers });

const simple: fc.Arbitrary<SimpleBinding> = fc.oneof(
  fc.record({ does: fc.constant("keyboard" as const), usage: fc.integer({ min: 4, max: 0xe7 }), modifiers }),
  fc.record({ does: fc.constant("consumer" as const), usage: fc.integer({ min: 1, max: 0x3ff }) }),
  fc.record({
    does: fc.constantFrom("hold-layer" as const, "stay-layer" as const, "switch-layer" as const, "next-layer" as const),
    layerId,
  }),
  fc.record({ does: fc.constant("next-modifiers" as const), modifiers: fc.integer({ min: 1, max: 255 }) }),
  fc.record({ does: fc.constant("macro" as const), macroId: fc.constantFrom("m", "n") }),
  key.chain(({ usage, modifiers: held }) =>
    fc.record({
      does: fc.constant("repeat" as const),
      usage: fc.constant(usage),
      modifiers: fc.constant(held),
      afterMs: fc.integer({ min: 1, max: 5000 }),
      everyMs: fc.integer({ min: 2, max: 5000 }),
    }),
  ),
  pointingBinding,
  fc.constant({ does: "nothing" as const }),
);
const binding: fc.Arbitrary<Binding> = fc.oneof(
  simple,
  fc.record({
    does: fc.constant("two-jobs" as const),
    tap: simple,
    hold: simple,
    school: fc.constantFrom(...holdSchools),
    deadlineMs: fc.integer({ min: 1, max: 2000 }),
    quickMs: fc.nat(250),
  }),
  fc.record({
    does: fc.constant("second-tap" as const),
    once: simple,
    twice: simple,
    withinMs: fc.integer({ min: 1, max: 2000 }),
  }),
);

describe("bindings as phrases", () => {
  it("are read back as they were, whatever layers and macros are called", () =>
    fc.assert(
      fc.property(binding, (one) => {
        expect(readBindingText(keymap, bindingText(keymap, one))).toEqual(one);
      }),
      { numRuns: 2000, seed: 4 },
    ));

  it("name every key and every media usage apart", () => {
    const names = keyboardUsages.map(({ usage }) => keyboardUsageNamed(usage).toLowerCase());
    expect(new Set(names).size).toBe(names.length);
    const media = consumerUsages.map(({ name }) => name.toLowerCase());
    expect(new Set(media).size).toBe(media.length);
  });

  it.each([
    ["Left Control + s", { does: "keyboard", usage: 0x16, modifiers: 1 }],
    ["KeyS", { does: "keyboard", usage: 0x16, modifiers: 0 }],
    ["  hold  for layer 2 ", { does: "hold-layer", layerId: "up" }],
    ["; when tapped; ; when held (time alone, 9 ms, typing within 0 ms)", { does: "two-jobs" }],
  ])("%s is understood", (text, expected) => expect(readBindingText(keymap, text)).toMatchObject(expected));

  it.each([
    "",
    "hold for layer 9",
    "hold for layer 0",
    "play macro 3",
    "Left Ctrl + A",
    "constructor",
    "__proto__",
    "toString (media)",
    "usage 0xFFF",
    "A again after 0 ms, every 40 ms",
    "A when tapped; B when held (sometimes, 9 ms, typing within 0 ms)",
  ])("“%s” is none", (text) => expect(readBindingText(keymap, text)).toBeNull());
});
