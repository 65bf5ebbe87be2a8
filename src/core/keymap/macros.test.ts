import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { finishedPad } from "../../../tests/support/designs";
import { STEP, STROKE } from "../contract/contract";
import type { MacroStep } from "../document/macros";
import { readDesign } from "../document/readDesign";
import { addLayer, bind, removeLayer, setHostLanguage } from "../edits/keymap";
import { addMacro, changeMacro, moveStep, removeMacro } from "../edits/macros";
import { macroPlan, macroTable, playedAt } from "./macroPlan";
import { numberEntry, numberSchools, withNumberEntry } from "./numberEntry";
import { type RecordedKey, recordedSteps } from "./recording";
import { leftDown } from "./stepWords";

const withSteps = (steps: MacroStep[]) => changeMacro(addMacro(finishedPad(), "m", "M"), "m", { steps });
const codeOf = (steps: MacroStep[]) => macroPlan(withSteps(steps)).code[0];

describe("macros in the tables", () => {
  it("take a byte a keystroke of a text, three where a third level is held", () => {
    expect(codeOf([{ step: "text", text: "aB" }])).toEqual([1, 0, 3, STEP.TEXT, 2, 4, 5 | STROKE.SHIFT, STEP.END]);
    const german = setHostLanguage(withSteps([{ step: "text", text: "z@" }]), "de-DE");
    expect(macroPlan(german).code[0]).toEqual([1, 0, 3, STEP.TEXT, 2, 0x1c, STROKE.LONG, 0x14, 0x40, STEP.END]);
  });

  it("type texts of any length, in parts that a byte can count", () => {
    const code = codeOf([{ step: "text", text: "x".repeat(600) }]);
    expect(code.length).toBe(3 + 600 + 3 * 2 + 1);
    expect([code[4], code[4 + 257], code[4 + 514]]).toEqual([255, 255, 90]);
  });

  it("leave out what cannot be typed, and a layer that is gone", () => {
    expect(
      codeOf([
        { step: "text", text: "→" },
        { step: "layer", way: "stay", layerId: "gone" },
      ]),
    ).toEqual([1, 0, 3, STEP.END]);
  });

  it("are numbered by the keymap, and each repetition once, in an order of its own", () => {
    const again = { does: "repeat", usage: 5, modifiers: 0, afterMs: 400, everyMs: 40 } as const;
    const other = { ...again, everyMs: 30 };
    const one = bind(bind(withSteps([]), "base", "k1:press", again), "base", "k2:press", other);
    const same = bind(
      bind(bind(withSteps([]), "base", "k2:press", other), "base", "k3:press", again),
      "base",
      "k1:press",
      again,
    );
    expect(macroTable(one)).toEqual(macroTable(same));
    expect(macroPlan(one).played).toHaveLength(3);
    expect(playedAt(one, { does: "macro", macroId: "m" })).toBe(0);
    expect(playedAt(one, { does: "macro", macroId: "gone" })).toBe(-1);
  });

  it("begin where the table says", () => {
    const two = changeMacro(addMacro(withSteps([{ step: "wait", ms: 300 }]), "n", "N"), "n", { endsOnPress: true });
    const table = macroTable(two);
    const place = (nth: number) => table[2 * nth] | (table[2 * nth + 1] << 8);
    expect(table.slice(place(0), place(1))).toEqual([1, 0, 3, STEP.WAIT, 44, 1, STEP.END]);
    expect(table.slice(place(1))).toEqual([1, 1, 3, STEP.END]);
  });
});

describe("macros in the document", () => {
  it("go with what plays them, and lose steps to a layer that goes", () => {
    const layered = addLayer(withSteps([{ step: "layer", way: "switch", layerId: "up" }]), "up", "Up");
    const bound = bind(layered, "base", "k1:press", { does: "macro", macroId: "m" });
    const tapped = bind(bound, "base", "k2:press", {
      does: "second-tap",
      once: { does: "keyboard", usage: 4, modifiers: 0 },
      twice: { does: "macro", macroId: "m" },
      withinMs: 200,
    });
    expect(readDesign(tapped).ok).toBe(true);
    const without = removeMacro(tapped, "m");
    expect(Object.keys(without.keymap.layers[0].bindings)).not.toContain("k1:press");
    expect(Object.keys(without.keymap.layers[0].bindings)).not.toContain("k2:press");
    expect(readDesign(without).ok).toBe(true);
    expect(removeLayer(tapped, "up").keymap.macros![0].steps).toEqual([]);
  });

  it("are refused when a binding or a step names what is not there", () => {
    const gone = bind(finishedPad(), "base", "k1:press", { does: "macro", macroId: "constructor" });
    expect(readDesign(gone)).toMatchObject({ ok: false });
    expect(readDesign(withSteps([{ step: "layer", way: "stay", layerId: "__proto__" }]))).toMatchObject({ ok: false });
    const twice = withSteps([]);
    expect(
      readDesign({ ...twice, keymap: { ...twice.keymap, macros: [...twice.keymap.macros!, ...twice.keymap.macros!] } }),
    ).toMatchObject({ ok: false });
  });

  it("have their steps moved without losing any", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8 }), fc.nat(7), fc.nat(7), (count, from, to) => {
        const steps = Array.from({ length: count }, (_, nth): MacroStep => ({ step: "wait", ms: nth + 1 }));
        const moved = moveStep(steps, from % count, to % count);
        expect(moved[to % count]).toEqual(steps[from % count]);
        expect([...moved].sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)))).toEqual(
          [...steps].sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b))),
        );
      }),
    ));
});

describe("recording", () => {
  const key = (atMs: number, usage: number, down: boolean): RecordedKey => ({ atMs, usage, down });

  it("makes taps of keys that come up before anything else happens, and keeps chords", () => {
    const keys = [
      key(0, 4, true),
      key(50, 4, false),
      key(90, 0xe1, true),
      key(120, 5, true),
      key(160, 5, false),
      key(170, 0xe1, false),
    ];
    expect(recordedSteps(keys, false)).toEqual([
      { step: "tap", usage: 4, modifiers: 0 },
      { step: "press", usage: 0xe1, modifiers: 0 },
      { step: "tap", usage: 5, modifiers: 0 },
      { step: "release", usage: 0xe1 },
    ]);
    expect(recordedSteps(keys, true).filter(({ step }) => step === "wait")).toEqual([
      { step: "wait", ms: 40 },
      { step: "wait", ms: 30 },
      { step: "wait", ms: 10 },
    ]);
  });

  it("lets go of what is still down, for whatever was recorded", () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ atMs: fc.nat(9), usage: fc.integer({ min: 4, max: 9 }), down: fc.boolean() })),
        (keys) => {
          expect(leftDown(recordedSteps(keys, false))).toEqual([]);
        },
      ),
    ));
});

describe("entry by number", () => {
  it.each(numberSchools)("%s lets go of all it holds", (school) =>
    expect(leftDown(numberEntry("→", school))).toEqual([]),
  );

  it("stands where the character stood", () => {
    const steps = withNumberEntry("a→b→", "→", "control-shift-u");
    expect(steps.map((step) => (step.step === "text" ? step.text : step.step))).toEqual([
      "a",
      "tap",
      "2192",
      "tap",
      "b",
      "tap",
      "2192",
      "tap",
    ]);
  });

  it("uses the number pad for digits", () =>
    expect(numberEntry("ñ", "alt-plus").map((step) => ("usage" in step ? step.usage : step.step))).toEqual([
      0xe2,
      0x57,
      0x62,
      0x62,
      "text",
      0x59,
      0xe2,
    ]));
});
