import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { controllerCatalogue } from "../catalogue/controllers";
import { controlOf, otherParts } from "./otherParts";
import type { PartsLine } from "./partsLine";
import { partsList } from "./partsList";

const named = (id: string) => demoDesigns.find((design) => design.id === id)!;
const line = (group: PartsLine["group"], name: string, of: string[] = []): PartsLine => ({
  group,
  name,
  count: 1,
  unit: "piece",
  priceEach: null,
  of,
});

describe("what else could be bought", () => {
  it("for every line of every demo is told without itself", () => {
    for (const design of demoDesigns)
      for (const one of partsList(design))
        for (const other of otherParts(design, one)) {
          expect(other.title).not.toBe(one.name);
          expect(other.title.length).toBeGreaterThan(3);
          expect(otherParts(design, one).filter(({ title }) => title === other.title).length).toBe(1);
        }
  });

  it("for controls is what has the same ends, found by which they are, also where the line says a length", () => {
    const design = named("glasshouse");
    const standoffs = partsList(design).find(({ name }) => name.startsWith("Standoff"))!;
    expect(standoffs.name).toMatch(/long$/);
    expect(controlOf(design, standoffs)!.kind).toBe("fixing");
    expect(otherParts(design, standoffs).map(({ title }) => title)).toContain("Standoff, 2 mm screw");
  });

  it("for a controller is every other class, with the pins that it has and the voltage", () => {
    const design = finishedPad();
    const [own] = partsList(design).filter(({ group }) => group === "controllers");
    const others = otherParts(design, own);
    expect(others.length).toBe(controllerCatalogue.length - 1);
    const used = Object.keys(design.pinPlan).length;
    for (const { title, differences, partId } of others) {
      const profile = controllerCatalogue.find((one) => one.title === title)!;
      const pins = profile.pins.filter(({ role, reserved }) => role === "io" && reserved === null).length;
      expect(differences[0]).toBe(
        pins < used ? `too few pins: ${used} are used, it has ${pins}` : `${pins} usable pins, ${used} are used`,
      );
      expect(differences.some((words) => words === `${profile.logicV} V logic in place of 5 V`)).toBe(
        profile.logicV !== 5,
      );
      expect(partId).toBeNull();
    }
    expect(otherParts(design, line("controllers", "none of them", ["A9"]))).toEqual([]);
  });

  it("for a resistor is the next value on both sides that is sold (IEC 60063, E12)", () => {
    const titles = (name: string) => otherParts(finishedPad(), line("small parts", name)).map(({ title }) => title);
    expect(titles("Resistor 470 Ω")).toEqual(["Resistor 390 Ω", "Resistor 560 Ω"]);
    expect(titles("Resistor 10 kΩ")).toEqual(["Resistor 8.2 kΩ", "Resistor 12 kΩ"]);
    expect(titles("Resistor 1 MΩ")).toEqual(["Resistor 820 kΩ", "Resistor 1.2 MΩ"]);
    expect(titles("Resistor 5.1 kΩ")).toEqual(["Resistor 4.7 kΩ", "Resistor 5.6 kΩ"]);
    expect(titles("Resistor resistor")).toEqual([]);
    const [lower] = otherParts(finishedPad(), line("small parts", "Resistor 470 Ω"));
    expect(lower.differences).toEqual([
      "1.21 times the current through it",
      "0.83 times the time in which it charges a line",
    ]);
  });

  it("for logic is another family, with the supply that it wants; for a diode one with the same ends", () => {
    const logic = otherParts(finishedPad(), line("added parts", "74HC165 input register"));
    expect(logic.map(({ title }) => title)).toEqual(["74HCT165", "74AHC165", "74AHCT165", "74LV165"]);
    expect(logic.flatMap(({ differences }) => differences).some((words) => /wants/.test(words))).toBe(false);
    const low = named("loom-64");
    const [hct] = otherParts(low, line("added parts", "74HC165 input register"));
    expect(hct.differences[0]).toBe("wants 4.5 to 5.5 V, here are 3.3 V");
    expect(otherParts(low, line("added parts", "Two-way terminal"))).toEqual([]);
    expect(otherParts(low, line("small parts", "Diode 1N4148")).map(({ title }) => title)).toContain("Diode 1N914");
    expect(otherParts(low, line("small parts", "Diode constructor"))).toEqual([]);
    expect(otherParts(low, line("wire", "Wire 0.2 mm², white"))).toEqual([]);
  });
});
