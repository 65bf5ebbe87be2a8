import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { casePlan } from "../cases/casePlan";
import { caseLayers } from "../cases/layers";
import { type CaseSettings, usualCase, usualLayers } from "../document/caseSettings";
import type { Design } from "../document/schema";
import { assemblyOf } from "../assembly/assembly";
import { partsList } from "./partsList";

const tern = demoDesigns.find(({ id }) => id === "tern")!;
const withCase = (settings: Partial<CaseSettings>): Design => ({ ...tern, case: { ...usualCase, ...settings } });
const lineOf = (design: Design, pattern: RegExp) => partsList(design).filter(({ name }) => pattern.test(name));
const fixings = tern.controls.filter(({ kind }) => kind === "fixing").length;

describe("a case in the parts list", () => {
  it("has inserts and one screw for each printed tower, and no standoffs", () => {
    const design = withCase({ towers: "inserts" });
    expect(lineOf(design, /^Brass insert M3, 5\.7 mm/).map(({ count }) => count)).toEqual([fixings]);
    expect(lineOf(design, /^Screw M3, \d+ mm long$/).map(({ count }) => count)).toEqual([fixings]);
    expect(lineOf(design, /Standoff/)).toEqual([]);
    expect(lineOf(design, /^Printed case for .*, PETG$/).map(({ count }) => count)).toEqual([1]);
  });

  it("has only screws where the plastic takes them", () => {
    const design = withCase({ towers: "self-cutting" });
    expect(lineOf(design, /insert|Standoff/)).toEqual([]);
    expect(lineOf(design, /^Screw M3/).map(({ count }) => count)).toEqual([fixings]);
  });

  it("has bought standoffs as long as the case is free, and screws for both ends", () => {
    const design = withCase({ towers: "bought" });
    const plan = casePlan(design, design.boards[0])!;
    const [standoffs] = lineOf(design, /^Standoff, 3 mm screw/);
    expect(standoffs.name).toBe(`Standoff, 3 mm screw, ${plan.seatMm - plan.floorMm} mm long`);
    expect(standoffs.count).toBe(fixings);
    expect(lineOf(design, /^Screw M3/).reduce((sum, { count }) => sum + count, 0)).toBe(2 * fixings);
  });

  it("counts layers and the frame's screws as the sheets have them", async () => {
    const design: Design = { ...tern, case: usualLayers };
    const layers = await caseLayers(design, casePlan(design, design.boards[0])!);
    const count = layers.shapes.reduce((sum, shape) => sum + shape.count, 0);
    const [sheets] = lineOf(design, /^Layer of acrylic 3 mm, \d+ × \d+ mm$/);
    expect(sheets.count).toBe(count);
    expect(sheets.priceEach).toBeGreaterThan(0);
    const [screws] = lineOf(design, /^Screw and nut M3, through \d+ mm of layers$/);
    expect([screws.count, screws.name]).toEqual([
      layers.screws.count,
      `Screw and nut M3, through ${count * 3} mm of layers`,
    ]);
    const plan = casePlan(design, design.boards[0])!;
    expect(lineOf(design, /^Standoff/)[0].name).toBe(`Standoff, 3 mm screw, ${plan.seatMm - plan.floorMm} mm long`);
  });

  it("is nothing where nobody chose one", () => {
    expect(lineOf(tern, /[Cc]ase|[Ll]ayer|insert/)).toEqual([]);
  });
});

describe("a case among the steps", () => {
  const titles = (design: Design): string[] => assemblyOf(design).steps.map(({ title }) => title);

  it("is made and gets its inserts before it is closed", () => {
    const told = titles(withCase({ towers: "inserts" }));
    const at = (title: string) => told.indexOf(title);
    expect(at("Print the case")).toBeGreaterThanOrEqual(0);
    expect(at(`Set ${fixings} inserts into the case`)).toBeGreaterThan(at("Print the case"));
    expect(at("Close the case")).toBeGreaterThan(at(`Set ${fixings} inserts into the case`));
    expect(told.some((title) => /standoff/.test(title))).toBe(false);
  });

  it("has its reasons told: inserts after the tray, closing after both", () => {
    const { reasons } = assemblyOf(withCase({ towers: "inserts" }));
    const board = tern.boards[0].id;
    const has = (before: string, after: string) =>
      reasons.some((reason) => reason.before === before && reason.after === after);
    expect(has(`case ${board}`, `inserts ${board}`)).toBe(true);
    expect(has(`inserts ${board}`, `close ${board}`)).toBe(true);
    expect(has(`case ${board}`, `close ${board}`)).toBe(true);
  });

  it("keeps its standoffs where they are bought, and has none where the plastic takes the screws", () => {
    expect(titles(withCase({ towers: "bought" })).some((title) => /^Screw in \d+ standoffs/.test(title))).toBe(true);
    const plain = titles(withCase({ towers: "self-cutting" }));
    expect(plain.some((title) => /standoff|insert/.test(title))).toBe(false);
    expect(titles({ ...tern, case: usualLayers })).toContain("Cut the case");
    expect(titles(tern).some((title) => /(Print|Cut) the case/.test(title))).toBe(false);
  });

  it("fits each standoff's part once, in every way", () => {
    for (const settings of [{ towers: "inserts" }, { towers: "self-cutting" }, { towers: "bought" }] as const) {
      const { steps } = assemblyOf(withCase(settings));
      const fits = steps.flatMap((step) => step.fits);
      expect(new Set(fits).size).toBe(fits.length);
      const without = assemblyOf(tern).steps.flatMap((step) => step.fits);
      expect([...fits].sort()).toEqual([...without].sort());
    }
  });
});
