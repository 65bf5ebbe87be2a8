import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../../demo";
import { allIds, everything, ofEveryCircuit } from "../../../../tests/support/everyCircuit";
import { finishedPad } from "../../../../tests/support/designs";
import { mistreated } from "../../../../tests/support/mistreated";
import { netsOf, overlapsOf, readSheets } from "../../../../tests/support/readSchematic";
import { derive } from "../../derived/derive";
import type { Design } from "../../document/schema";
import { chooseController } from "../../edits/pins";
import { wireAs } from "../../edits/wiring";
import { netlistOf } from "../../wires/netlist";
import { artifactNamed } from "../../exports/registry";
import { SHEET } from "./sheets";
import { schematicPages, schematicText } from "./schematicSvg";

const starts = [finishedPad(), ...demoDesigns];
const switched = wireAs(everything, "direct", allIds(everything));

/** A battery behind fuse and diode, measured; a second source with its jumper; a motor and a sounder on transistors. */
const supplied: Design = chooseController(
  {
    ...switched,
    name: "All that a supply can add",
    controls: switched.controls.map((control) => (control.kind === "buzzer" ? { ...control, currentMa: 30 } : control)),
    supply: {
      ...switched.supply,
      source: { kind: "battery", cell: "lithium-ion", series: 2, capacityMah: 900, cutOffV: 3 },
      fuse: { holdMa: 500, ohm: 0.3 },
      diode: "schottky",
      outside: { limitMa: 2000, isChosen: true },
      measured: { topOhm: 100_000, bottomOhm: 47_000 },
    },
  },
  "small-5v-18",
);

const designs = [
  supplied,
  ...ofEveryCircuit,
  ...ofEveryCircuit.map((design) => ({
    ...chooseController(design, "dual-core-3v3-26"),
    name: `${design.name}, 3.3 V`,
  })),
]
  .map((design) => ({ name: design.name, design }))
  .concat([
    ...starts.map((design) => ({ name: design.name, design })),
    ...Array.from({ length: 40 }, (_, nth) => ({
      name: `mistreated ${nth + 1}`,
      design: mistreated(starts[nth % starts.length], 2000 + nth),
    })),
  ]);

const inOrder = (nets: { pins: string[] }[]) => nets.map(({ pins }) => pins.join(", ")).sort();

function expected(design: Design) {
  return netlistOf(design).map(({ name, pins }) => ({
    name,
    pins: pins.map(({ part, number }) => `${part} ${number}`).sort(),
  }));
}

function expectSameNets(design: Design) {
  const drawn = netsOf(readSheets(schematicText(design))).filter(({ pins }) => pins.length > 1);
  const wanted = expected(design);
  expect(inOrder(drawn)).toEqual(inOrder(wanted));
  const names = new Map(wanted.map(({ name, pins }) => [pins.join(", "), name]));
  for (const { name, pins } of drawn) if (name !== null) expect(name).toBe(names.get(pins.join(", ")));
}

describe.each(designs)("The circuit drawing of $name", ({ design }) => {
  it("read back says the same netlist", () => expectSameNets(design));

  it("has no text, symbol or wire on another, and nothing off its sheets", () => {
    for (const sheet of readSheets(schematicText(design))) {
      expect(overlapsOf(sheet)).toEqual([]);
      const spots = sheet.strokes.flatMap(({ points }) => points);
      for (const [x, y] of spots) {
        expect(x).toBeGreaterThan(7);
        expect(x).toBeLessThan(SHEET.width - 7);
        expect(y).toBeGreaterThan(7);
        expect(y).toBeLessThan(SHEET.height - 7);
      }
      for (const { text, left, right, top, bottom } of sheet.words)
        expect(left > 8 && right < SHEET.width - 8 && top > 8 && bottom < SHEET.height - 8, text).toBe(true);
    }
  });
});

describe("The circuit drawing", () => {
  const named = (label: string): Design => ({
    ...finishedPad(),
    controls: finishedPad().controls.map((control) => ({ ...control, label })),
  });

  it.each([
    ["angle brackets", '<b>&"quoted"</b>'],
    ["forty signs", "W".repeat(40)],
    ["a script of wide signs", "鍵".repeat(40)],
    ["a property", "constructor"],
    ["the name of ground", "GND"],
    ["pictures", "🎹🎹"],
  ])("takes the same label on every control: %s", (_, label) => {
    const design = named(label);
    expectSameNets(design);
    for (const sheet of readSheets(schematicText(design))) expect(overlapsOf(sheet)).toEqual([]);
  });

  it("cuts a controller of two hundred pads into pieces that fit a sheet", () => {
    const wired = chooseController(wireAs(everything, "direct", allIds(everything)), "large-5v-70");
    const [first] = derive(wired).profile!.pins;
    const pins = Array.from({ length: 200 }, (_, n) => ({ ...first, name: `A_PAD_${n}`, xMm: n % 2 ? 5 : -5, yMm: n }));
    const profile = { ...derive(wired).profile!, id: "own", pins };
    const controllers = [{ ...wired.controllers[0], profileId: "own" }];
    const design: Design = { ...wired, profiles: [profile], controllers };
    expectSameNets(design);
    const sheets = readSheets(schematicText(design));
    expect(sheets.flatMap(overlapsOf)).toEqual([]);
    const pieces = sheets.flatMap(({ words }) => words.filter(({ text }) => /^A1 \(\d of 4\)$/.test(text)));
    expect(pieces).toHaveLength(4);
    expect(
      new Set(sheets.flatMap(({ leads }) => leads.filter(({ part }) => part === "A1").map((l) => l.end))).size,
    ).toBe(200);
  });

  it("is in the menu as one drawing and as pages", async () => {
    const [glasshouse] = demoDesigns.filter(({ name }) => name === "Glasshouse");
    const [whole, paper] = await Promise.all(
      ["schematic-svg", "schematic-sheets"].map((id) => artifactNamed(id)!.make(glasshouse)),
    );
    const text = (result: typeof whole) => (result.ok ? new TextDecoder().decode(result.value.bytes) : "");
    const pages = schematicPages(glasshouse).length;
    expect(readSheets(text(whole))).toHaveLength(pages);
    expect(text(paper).match(/<section>/g)).toHaveLength(pages);
  });
});

describe("A net that waits for its pin", () => {
  it("is told by its name, not crossed out as an open end", () => {
    const unplanned = wireAs(everything, "direct", allIds(everything));
    const labels = readSheets(schematicText(unplanned)).flatMap(({ words }) =>
      words.filter(({ cls }) => cls === "net").map(({ text }) => text),
    );
    const told = new Set(labels);
    for (const { flag } of derive(unplanned).signalNets) expect(told.has(flag), flag).toBe(true);
  });
});
