import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { pointingBinding } from "../../../tests/support/pointing";
import { ACTION } from "../contract/contract";
import { encodingContextOf } from "../keymap/encodingContext";
import { actionOf, bindingOf, bindingSchema, reportsOf, typedBy } from ".";

const design = finishedPad();
const noLayers = { layerId: () => null, played: () => null };

describe("bindings of the pointer, the computer and music", () => {
  it("come back from the four bytes of their table entry", () =>
    fc.assert(
      fc.property(pointingBinding, (binding) => {
        const entry = actionOf(binding, encodingContextOf(design));
        for (const byte of [entry.kind, entry.modifiers]) expect(byte).toBeLessThan(256);
        expect(entry.value).toBeLessThan(65_536);
        expect(bindingOf(entry, noLayers)).toEqual(binding);
      }),
      { numRuns: 3000 },
    ));

  it("speak through their own reports, and type nothing", () =>
    fc.assert(
      fc.property(pointingBinding, (binding) => {
        const others: Record<string, string> = {
          system: "system",
          "pointer-place": "place",
          note: "music",
          controller: "music",
          program: "music",
        };
        const own = binding.does.startsWith("pad-") ? "pad" : (others[binding.does] ?? "pointer");
        expect(reportsOf(binding)).toEqual([own]);
        expect(typedBy(binding)).toBeNull();
      }),
    ));

  it.each([
    { does: "pad-button", button: 128 },
    { does: "pad-hat", side: "in" },
    { does: "pointer-button", button: 5 },
    { does: "pointer-place", across: 1001, down: 0 },
    { does: "pointer-place", across: 0, down: -1 },
    { does: "pointer-place", across: 0.5, down: 0 },
    { does: "pointer-move", direction: "in", speed: 100, rampMs: 0 },
    { does: "pointer-move", direction: "up", speed: 9, rampMs: 0 },
    { does: "pointer-move", direction: "up", speed: 8000, rampMs: 0 },
    { does: "pointer-move", direction: "up", speed: 100, rampMs: 100 },
    { does: "pointer-wheel", direction: "up", everyMs: -1 },
    { does: "awake", lasting: "for ever", everyS: 60 },
    { does: "awake", lasting: "held", everyS: 0 },
    { does: "system", deed: "constructor" },
    { does: "note", note: 128, velocity: 96, channel: 0 },
    { does: "note", note: 60, velocity: 0, channel: 0 },
    { does: "note", note: 60, velocity: 96, channel: 16 },
    { does: "note", note: 60.5, velocity: 96, channel: 0 },
    { does: "controller", controller: 120, value: 127, channel: 0 },
    { does: "program", program: 128, channel: 0 },
  ])("%o is refused", (binding) => expect(bindingSchema.safeParse(binding).success).toBe(false));

  it("of entries that nothing of today writes there is none", () => {
    const read = (kind: number, modifiers: number, value: number) => bindingOf({ kind, modifiers, value }, noLayers);
    expect(read(ACTION.POINTER_BUTTON, 0, 5)).toBeUndefined();
    expect(read(ACTION.SYSTEM, 0, 3)).toBeUndefined();
    expect(read(ACTION.POINTER_MOVE, 0xf0, 8192)).toBeUndefined();
    expect(read(ACTION.AWAKE, 0, 0)).toBeUndefined();
    expect(read(ACTION.NOTE, 16, 60 | (96 << 8))).toBeUndefined();
    expect(read(ACTION.NOTE, 0, 60)).toBeUndefined();
    expect(read(ACTION.CONTROLLER, 0, 120 | (1 << 8))).toBeUndefined();
    expect(read(ACTION.PROGRAM, 0, 128)).toBeUndefined();
  });
});
