import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Macro, MacroStep } from "@/core/document/macros";
import { addLayer, bind } from "@/core/edits/keymap";
import { type SimulationEvent, simulate } from "@/core/engine/simulate";
import { toHex } from "@/core/hex";
import { readExample } from "./examples";

const usage = fc.constantFrom(0x04, 0x05, 0x28, 0xe0, 0xe1, 0xe6);
const step: fc.Arbitrary<MacroStep> = fc.oneof(
  fc.record({ step: fc.constant("press" as const), usage, modifiers: fc.constantFrom(0, 2, 0x41) }),
  fc.record({ step: fc.constant("release" as const), usage }),
  fc.record({ step: fc.constant("tap" as const), usage, modifiers: fc.constantFrom(0, 1) }),
  fc.record({ step: fc.constant("text" as const), text: fc.constantFrom("a", "Zz!", "q@") }),
  fc.record({ step: fc.constant("wait" as const), ms: fc.integer({ min: 1, max: 60 }) }),
  fc.constant<MacroStep>({ step: "until-let-go" }),
  fc.record({
    step: fc.constant("again" as const),
    steps: fc.integer({ min: 1, max: 4 }),
    times: fc.integer({ min: 0, max: 3 }),
  }),
  fc.record({ step: fc.constant("consumer" as const), usage: fc.constant(0xe2) }),
  fc.record({
    step: fc.constant("layer" as const),
    way: fc.constant("stay" as const),
    layerId: fc.constantFrom("base", "up"),
  }),
);
const macro = (id: string): fc.Arbitrary<Macro> =>
  fc.record({
    id: fc.constant(id),
    name: fc.constant(id),
    plays: fc.oneof(
      fc.record({ how: fc.constant("times" as const), times: fc.integer({ min: 1, max: 3 }) }),
      fc.constant({ how: "while-held" as const }),
    ),
    endsOnPress: fc.boolean(),
    steps: fc.array(step, { maxLength: 8 }),
  });

const pad = readExample(
  "debounce 1\nkey A: KeyA\nkey B: KeyB\nkey C: KeyC\nkey D: LeftShift".replace("LeftShift", "ShiftLeft") +
    "\nat 0 press A",
).design;
const KEYS = ["A", "B", "C", "D"];
const MOODS = ["busy", "ready", "reset"] as const;

/** A hand and a computer with moods; in the end all is let go, the computer asks, and there is time. */
const use = fc
  .array(
    fc.record({
      gap: fc.nat(40),
      key: fc.constantFrom(...KEYS),
      mood: fc.option(fc.constantFrom(...MOODS), { freq: 6 }),
    }),
    { minLength: 2, maxLength: 14 },
  )
  .map((moves): SimulationEvent[] => {
    const down = new Set<string>();
    let atMs = 1;
    const events = moves.map(({ gap, key, mood }): SimulationEvent => {
      atMs += gap;
      if (mood) return { atMs, action: mood };
      const action = down.has(key) ? "release" : "press";
      if (action === "press") down.add(key);
      else down.delete(key);
      return { atMs, control: key, action };
    });
    const last = [...down].map((control): SimulationEvent => ({ atMs: atMs + 5, control, action: "release" }));
    return [...events, { atMs: atMs + 6, action: "ready" }, ...last];
  });

describe("macros, whatever interrupts them", () => {
  it("leave nothing down: neither keys nor modifiers nor a usage of the consumer page", () => {
    let played = 0;
    fc.assert(
      fc.property(macro("m"), macro("n"), use, (first, second, events) => {
        const layered = addLayer({ ...pad, keymap: { ...pad.keymap, macros: [first, second] } }, "up", "Up");
        const bound = bind(bind(layered, "base", "A:press", { does: "macro", macroId: "m" }), "base", "B:press", {
          does: "macro",
          macroId: "n",
        });
        const run = simulate(bound, { events, untilMs: Math.max(...events.map(({ atMs }) => atMs)) + 4000 });
        if (!run.ok) throw new Error(JSON.stringify(run.problems));
        // After a reset the computer takes all for released, and is told only what is not.
        const resetMs = Math.max(-1, ...events.flatMap(({ atMs, action }) => (action === "reset" ? [atMs] : [])));
        const since = run.value.reports.filter(({ atMs }) => atMs >= resetMs);
        const lastOf = (name: string) => since.filter((report) => report.interface === name).at(-1);
        played += run.value.reports.length;
        for (const name of ["keyboard", "consumer"]) expect(toHex(lastOf(name)?.bytes ?? [0])).toMatch(/^(00)+$/);
      }),
      { numRuns: 400, seed: 11 },
    );
    expect(played).toBeGreaterThan(1500);
  });
});
