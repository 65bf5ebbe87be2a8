import { describe, expect, it } from "vitest";
import { demoDesigns, modularDesigns, variantDesigns } from "@demo/index";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { setBoardWay, setModuleWay } from "../edits/build";
import { changeControl } from "../edits/controls";
import { artifactNamed } from "../exports/registry";
import { netlistOf } from "../wires/netlist";
import { wiresOf } from "../wires/wires";
import { partsList } from "./partsList";
import { wiredDemos } from "../../../tests/support/designs";

const all = [...demoDesigns, ...wiredDemos, ...variantDesigns, ...modularDesigns];
const named = (design: Design) => partsList(design).flatMap(({ of }) => of);
const sumOf = (design: Design, groups: string[]) =>
  partsList(design)
    .filter(({ group }) => groups.includes(group))
    .reduce((sum, { count }) => sum + count, 0);

describe.each(all.map((design): [string, Design] => [design.name, design]))("the parts list of %s", (_, design) => {
  it("has every part of the netlist once, and no other", () => {
    const groups = ["controllers", "controls", "added parts", "small parts"];
    const listed = partsList(design)
      .filter(({ group, name }) => groups.includes(group) && !name.startsWith("Plug, regulator"))
      .flatMap(({ of }) => of);
    expect(new Set(listed).size).toBe(listed.length);
    for (const { pins } of netlistOf(design)) for (const { part } of pins) expect(listed).toContain(part);
    expect(sumOf(design, ["controls"])).toBe(design.controls.length);
  });

  it("counts as many as it names, and wire as the wire list has it", () => {
    for (const { of, count, unit } of partsList(design)) if (unit === "piece") expect(of.length).toBe(count);
    const metres = wiresOf(design).reduce((sum, { cutMm }) => sum + cutMm / 1000, 0);
    expect(sumOf(design, ["wire"])).toBeCloseTo(metres, 9);
  });
});

describe("the parts list", () => {
  const [kestrel, loom] = [demoDesigns[0], demoDesigns.find(({ id }) => id === "loom-64")!];

  it("has sockets for packages from 14 terminals on, knobs for what is turned, and boards in place of wire where copper joins", () => {
    const glasshouse = demoDesigns.find(({ id }) => id === "glasshouse")!;
    const counts = (design: Design) => new Map(partsList(design).map(({ name, count: each }) => [name, each]));
    const byHand = counts(glasshouse);
    const sockets = [24, 16, 14].map((pins) => byHand.get(`Chip socket, ${pins} pins`));
    expect(sockets).toEqual([4, 3, 1]);
    expect(byHand.get("Pair of knobs for Dual-shaft concentric encoder")).toBe(4);
    const made = setBoardWay(glasshouse, "panel", { way: "made-board" });
    expect(partsList(made).filter(({ group }) => group === "wire")).toEqual([]);
    const board = partsList(made).find(({ name }) => name.startsWith("Made board"))!;
    // Larger than 100 mm: five for 50 at the usual price steps.
    expect(board).toMatchObject({ name: "Made board 310 × 252 mm", count: 1, priceEach: 10 });
    const pasted = counts(setBoardWay(made, "panel", { smallParts: "surface" }));
    expect(pasted.get("Stencil 310 × 252 mm")).toBe(1);
    expect([...pasted.keys()].filter((name) => name.startsWith("Chip socket"))).toEqual([]);
    const socketed = counts(setModuleWay(glasshouse, "controller", "socketed"));
    expect([...socketed.keys()].filter((name) => name.startsWith("Socket rows"))).toHaveLength(1);
  });

  it("has a cap for each key that has none of its own, by size and colour, and stabilisers for long ones", () => {
    const caps = partsList(loom).filter(({ group }) => group === "caps");
    const keys = loom.controls.filter(({ kind }) => kind === "key");
    const count = (start: string) =>
      caps.filter(({ name }) => name.startsWith(start)).reduce((sum, line) => sum + line.count, 0);
    expect(count("Cap ")).toBe(keys.length);
    expect(count("Stabiliser ")).toBe(keys.filter((key) => key.kind === "key" && key.stabiliser).length);
    const { id } = keys[0];
    const long = changeControl(loom, id, { widthU: 6.25, stabiliser: true });
    const lines = partsList(long).map(({ name }) => name);
    expect(lines).toContain("Stabiliser for 6.25 u");
    expect(lines.some((name) => name.startsWith("Cap 6.25 × 1 u"))).toBe(true);
  });

  it("counts the plug of a link once, as an added part", () => {
    const [two] = variantDesigns;
    const plugs = (design: Design) =>
      partsList(design)
        .filter(({ name }) => /plug|row of pins|cable/i.test(name))
        .map(({ name, group, count }) => [name, group, count]);
    expect(plugs(two)).toEqual([
      ["Four-way plug, keyed", "added parts", 2],
      ["Cable, 4 conductors", "plugs", 1],
    ]);
    expect(plugs(modularDesigns[0])).toEqual([
      ["Five-way plug, keyed", "added parts", 4],
      ["Cable, 5 conductors", "plugs", 2],
    ]);
    expect(partsList(loom).some(({ group }) => group === "plugs")).toBe(true);
  });

  it("takes a price that was typed in", () => {
    const dear = { ...loom, brief: { ...loom.brief, prices: { diode: 7 } } };
    expect(partsList(dear).find(({ name }) => name === "Diode 1N4148")!.priceEach).toBe(7);
  });

  it("writes a resistance in one way, whoever names it", () => {
    const names = partsList(modularDesigns[0]).map(({ name }) => name);
    expect(names).toContain("Resistor 1.8 kΩ");
    expect(names).toContain("Resistor 4.7 kΩ");
  });

  it("is empty of an empty design", () => {
    expect(partsList(newDesign("x", "Nothing"))).toEqual([]);
  });

  it("is a table whose cells no spreadsheet takes for a formula", async () => {
    const { id } = kestrel.controls[0];
    const hostile = changeControl(kestrel, id, { label: '=HYPERLINK("x")' });
    const made = await artifactNamed("parts-csv")!.make(hostile);
    if (!made.ok) throw new Error("not made");
    const text = Buffer.from(made.value.bytes).toString();
    expect(made.value.fileName).toMatch(/-parts\.csv$/);
    expect(text.split("\r\n")[0]).toBe("Group,Part,Count,Unit,Price each,Price,Which");
    expect(text).not.toMatch(/(^|,)"?[=+@]/m);
    expect(named(hostile).some((name) => name.includes("="))).toBe(false);
  });
});
