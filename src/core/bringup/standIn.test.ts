import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { randomFrom } from "../optimisation/random";
import { pad } from "../../../tests/support/designs";
import { modelOf } from "./model";
import { StandInDevice } from "./standIn";
import { testKeymapOf } from "./testKeymap";
import type { Suspect } from "./suspects";

const byFirmware = new Set(["idle", "hold", "sweep", "turn", "bend"]);

describe("the stand-in: the firmware on faulty wiring tells what was foretold of it", () => {
  for (const id of ["loom-64", "kestrel", "tern", "dunlin", "glasshouse"])
    it(`${id}: faults by chance, tests that show them and tests that do not`, () => {
      const design = shelfDesigns.find((one) => one.id === id)!;
      const model = modelOf(design);
      const random = randomFrom(64);
      const pick = <T>(list: T[]): T => list[Math.floor(random() * list.length)];
      const numbers = model.trials.flatMap(({ deed }, nth) => (byFirmware.has(deed.does) ? [nth] : []));
      let shown = 0;
      for (let round = 0; round < 25; round++) {
        const suspect = Math.floor(random() * model.suspects.length);
        const device = new StandInDevice(design, [model.suspects[suspect].fault]);
        const telling = numbers.filter((nth) => model.rows[nth].others.has(suspect));
        shown += telling.length;
        for (const nth of [...telling.slice(0, 2), pick(numbers)]) {
          const foretold = model.rows[nth].others.get(suspect) ?? model.rows[nth].base;
          const says = `${model.suspects[suspect].words}: ${model.trials[nth].title}`;
          expect(device.answer(model.trials[nth].deed), says).toBe(foretold);
        }
      }
      expect(shown).toBeGreaterThan(10);
    });

  it("two faults at once show both", () => {
    const design = shelfDesigns.find((one) => one.id === "loom-64")!;
    const { suspects, trials } = modelOf(design);
    const open = (words: string): Suspect => suspects.find((one) => one.words === words)!;
    const faults = [open("the joint of C5 at R is open"), open("K is stuck closed")].map(({ fault }) => fault);
    const device = new StandInDevice(design, faults);
    const labels = new Map(design.controls.map(({ id, label }) => [label, `${id}:press`]));
    expect(device.answer({ does: "idle" })).toBe(labels.get("K"));
    expect(device.answer({ does: "hold", held: [labels.get("R")!] })).toBe("");
    expect(device.answer({ does: "hold", held: [labels.get("T")!] })).toBe(labels.get("T"));
    expect(trials.length).toBeGreaterThan(100);
  });
});

describe("the keymap for tests", () => {
  it("gives every control a key of its own, and none to locks", () => {
    const { inputOf, left, design } = testKeymapOf(pad());
    expect(left).toBe(0);
    expect(inputOf.size).toBe(9 + 3);
    expect([...inputOf.keys()].filter((usage) => [0x39, 0x47, 0x53].includes(usage))).toEqual([]);
    expect(Object.keys(design.keymap.layers[0].bindings)).toHaveLength(12);
    expect(design.reportSet.interfaces).toEqual(["keyboard"]);
  });

  it("says how many are left where there are more controls than keys", () => {
    const wide = shelfDesigns.find((one) => one.id === "loom-64")!;
    const many = {
      ...wide,
      controls: Array.from({ length: 4 }, (_, copy) =>
        wide.controls.map((control) => ({ ...control, id: `${control.id}-${copy}` })),
      ).flat(),
    };
    const { inputOf, left } = testKeymapOf(many);
    expect(inputOf.size + left).toBe(256);
    expect(left).toBeGreaterThan(0);
    // HID Usage Tables, keyboard page: locks, the key that switches a computer off, and the one that ends listening.
    expect([0x39, 0x47, 0x53, 0x66, 0x29].filter((usage) => inputOf.has(usage))).toEqual([]);
  });
});
