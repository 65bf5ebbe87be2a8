import fc from "fast-check";
import { it, expect } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { readDesign } from "../document/readDesign";
import { findingsOf } from "./check";
import { keymapCard } from "../formats/keymapCard";
import { keymapCsv, readKeymapCsv } from "../formats/keymapCsv";
import { keymapWords } from "../formats/keymapWords";
import { languageIds } from "../languages/ids";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { overLimits } from "../firmware/capacity";
import { simulate } from "../engine/simulate";
import { removeMacro } from "../edits/macros";
import { removeLayer } from "../edits/keymap";
import { pointingBinding } from "../../../tests/support/pointing";
import { compareDesigns } from "../keymap/compareKeymaps";
import { placementProblem, placeFunctions } from "../reach/placement";
const names = ["constructor", "__proto__x", "toString", "a", "b", "Ünï ✓", "hasOwnProperty"];
const layerIds = ["base", "constructor", "up"];
const simple = fc.oneof(
  fc.record({ does: fc.constant("keyboard"), usage: fc.integer({ min: 4, max: 0xe7 }), modifiers: fc.nat(255) }),
  fc.record({ does: fc.constant("consumer"), usage: fc.integer({ min: 1, max: 0x3ff }) }),
  fc.record({
    does: fc.constantFrom("hold-layer", "stay-layer", "switch-layer", "next-layer"),
    layerId: fc.constantFrom(...layerIds),
  }),
  fc.record({ does: fc.constant("next-modifiers"), modifiers: fc.integer({ min: 1, max: 255 }) }),
  fc.record({ does: fc.constant("macro"), macroId: fc.constantFrom("constructor", "m2") }),
  fc.record({
    does: fc.constant("repeat"),
    usage: fc.integer({ min: 4, max: 0xdf }),
    modifiers: fc.nat(255),
    afterMs: fc.integer({ min: 1, max: 90 }),
    everyMs: fc.integer({ min: 2, max: 90 }),
  }),
  pointingBinding,
  fc.constant({ does: "nothing" }),
);
const binding = fc.oneof(
  simple,
  fc.record({
    does: fc.constant("two-jobs"),
    tap: simple,
    hold: simple,
    school: fc.constantFrom("time", "press", "tap"),
    deadlineMs: fc.integer({ min: 1, max: 300 }),
    quickMs: fc.nat(250),
  }),
  fc.record({
    does: fc.constant("second-tap"),
    once: simple,
    twice: simple,
    withinMs: fc.integer({ min: 1, max: 300 }),
  }),
);
const step = fc.oneof(
  fc.record({ step: fc.constant("again"), steps: fc.integer({ min: 1, max: 400 }), times: fc.nat(255) }),
  fc.record({
    step: fc.constantFrom("press", "tap"),
    usage: fc.integer({ min: 4, max: 0xe7 }),
    modifiers: fc.nat(255),
  }),
  fc.record({ step: fc.constant("release"), usage: fc.integer({ min: 4, max: 0xe7 }) }),
  fc.record({
    step: fc.constant("text"),
    text: fc.string({ minLength: 1, maxLength: 300, unit: "binary" }).filter((s) => s.length > 0),
  }),
  fc.record({ step: fc.constant("wait"), ms: fc.integer({ min: 1, max: 60000 }) }),
  fc.constant({ step: "until-let-go" }),
  fc.record({
    step: fc.constant("layer"),
    way: fc.constantFrom("stay", "switch"),
    layerId: fc.constantFrom(...layerIds),
  }),
);
const macro = (id: string) =>
  fc.record({
    id: fc.constant(id),
    name: fc.constantFrom(...names),
    plays: fc.oneof(
      fc.constant({ how: "while-held" }),
      fc.record({ how: fc.constant("times"), times: fc.integer({ min: 1, max: 255 }) }),
    ),
    endsOnPress: fc.boolean(),
    steps: fc.array(step, { maxLength: 60 }),
  });
const ids = ["k1:press", "k2:press", "k3:press", "k4:press", "e1:cw", "e1:ccw", "e1:press", "set:together"];
it("any keymap that the schema takes is judged, written, read back, tabled, tried, compared and placed", async () => {
  let accepted = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.dictionary(fc.constantFrom(...ids), binding), { minLength: 3, maxLength: 3 }),
      macro("constructor"),
      macro("m2"),
      fc.constantFrom(...languageIds),
      fc.array(fc.record({ atMs: fc.nat(600), k: fc.constantFrom("k1", "k2", "k3", "e1"), down: fc.boolean() }), {
        maxLength: 20,
      }),
      async (layers, m1, m2, hostLanguage, moves) => {
        const pad = finishedPad();
        const raw = {
          ...pad,
          keymap: {
            ...pad.keymap,
            hostLanguage,
            layers: layers.map((bindings, n) => ({ id: layerIds[n], name: names[n], bindings })),
            macros: [m1, m2],
            together: [{ id: "set", parts: ["k1:press", "k2:press"], windowMs: 30 }],
            opposites: [{ first: "k3:press", second: "k4:press", counts: "neither" }],
          },
        };
        const read = readDesign(JSON.parse(JSON.stringify(raw)));
        if (!read.ok) return;
        accepted++;
        const d = read.value;
        for (const f of findingsOf(d)) {
          expect(f.message).not.toMatch(/NaN|undefined|\[object/);
          for (const fix of f.fixes) {
            const next = fix.apply(d);
            const again = readDesign(JSON.parse(JSON.stringify(next)));
            if (!again.ok) throw new Error(f.rule + JSON.stringify(again.problems));
          }
        }
        for (const a of [keymapCard, keymapCsv, keymapWords]) {
          const r = await a.make(d);
          if (!r.ok) throw new Error(a.id);
          if (a === keymapCsv) {
            const back = readKeymapCsv(d, Buffer.from(r.value.bytes).toString());
            expect(back).toEqual({ changes: [], problems: [] });
          }
        }
        if (overLimits(scanTableOf(d), d).length === 0) {
          tableBytes(scanTableOf(d), d);
          const run = simulate(d, {
            events: moves.map(({ atMs, k, down }) => ({
              atMs,
              control: k,
              action: down ? ("press" as const) : ("release" as const),
            })),
            untilMs: 1500,
          });
          if (!run.ok) throw new Error("sim");
        }
        expect(readDesign(removeMacro(d, "constructor")).ok).toBe(true);
        expect(readDesign(removeLayer(d, "constructor")).ok).toBe(true);
        compareDesigns(d, pad);
        placeFunctions(placementProblem(d, new Set()), 1, 2);
      },
    ),
    { numRuns: 120, seed: 3 },
  );
  expect(accepted).toBeGreaterThan(100);
});
