import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, keyBlock } from "../../../tests/support/designs";
import type { LightChain } from "../circuits/lightChain";
import { derive } from "../derived/derive";
import { changeBoard } from "../edits/boards";
import { addControl } from "../edits/controls";
import { chooseController } from "../edits/pins";
import { shareOutDirect, wireAs } from "../edits/wiring";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { linkConnectors, partConnectors } from "./connectors";
import { cutList, metresOf } from "./cutList";
import { bridgeLight, orderLights } from "../edits/lights";
import { chainMm, lightTable } from "./lightOrder";
import { netlistOf } from "./netlist";
import { cutLengthMm, phases, wiresOf } from "./wires";

const loom = demoDesigns.find(({ id }) => id === "loom-64")!;
const glasshouse = demoDesigns.find(({ id }) => id === "glasshouse")!;

function lightGrid(columns: number, rows: number): Design {
  const places = Array.from({ length: columns * rows }, (_, nth) => nth);
  const placed = places.reduce(
    (d, nth) =>
      addControl(d, "light", `l${nth}`, {
        xMm: (nth % columns) * 20,
        yMm: Math.floor(nth / columns) * 20,
        rotationDeg: 0,
        boardId: "panel",
      }),
    newDesign("lights", "Lights"),
  );
  return chooseController(
    wireAs(
      placed,
      "light-chain",
      places.map((nth) => `l${nth}:light`),
    ),
    "small-5v-18",
  );
}
const chainOf = (design: Design) => design.circuits.find((c): c is LightChain => c.kind === "light-chain")!;

describe("wires", () => {
  it.each(demoDesigns)("of $name join every net into one piece, in the order of the work", (design) => {
    const wires = wiresOf(design);
    for (const net of derive(design).nets) {
      const own = wires.filter(({ netId }) => netId === net.id);
      const group = new Map<string, string>();
      const root = (id: string): string => (group.get(id) && group.get(id) !== id ? root(group.get(id)!) : id);
      for (const { from, to } of own) group.set(root(from.id), root(to.id));
      // A resistor at a contact is soldered to it by its own lead: both are one place.
      const places = new Map<string, string>();
      for (const { contactId, at } of net.joints) {
        const place = `${at.xMm} ${at.yMm}`;
        if (places.has(place)) group.set(root(contactId), root(places.get(place)!));
        else places.set(place, contactId);
      }
      const ends = new Set(net.joints.map(({ contactId }) => root(contactId)));
      expect(ends.size, net.flag).toBe(1);
    }
    const order = wires.map(({ phase }) => phases.indexOf(phase));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });

  it("are cut with their allowance, in whole steps", () => {
    const settings = finishedPad().wires;
    expect(cutLengthMm(100, { ...settings, endMm: 5, slackPercent: 10, stepMm: 5 })).toBe(120);
    expect(cutLengthMm(100.1, { ...settings, endMm: 5, slackPercent: 10, stepMm: 5 })).toBe(125);
    expect(cutLengthMm(0, { ...settings, endMm: 0, slackPercent: 0, stepMm: 5 })).toBe(0);
  });

  it("are all on the cutting list, whose metres are their sum", () => {
    const wires = wiresOf(glasshouse);
    const lines = cutList(wires);
    expect(lines.reduce((sum, { count }) => sum + count, 0)).toBe(wires.length);
    const metres = metresOf(lines).reduce((sum, line) => sum + line.metres, 0);
    expect(metres).toBeCloseTo(wires.reduce((sum, { cutMm }) => sum + cutMm, 0) / 1000, 6);
  });

  it("between the halves of a board are links, and stand in a cable table", () => {
    const links = wiresOf(loom).filter(({ phase }) => phase === "links");
    expect(links.length).toBeGreaterThan(0);
    const [cable] = linkConnectors(loom);
    expect(cable.name).toMatch(/Left half – Right half|Right half – Left half/);
    expect(cable.pins).toHaveLength(links.length);
    expect(partConnectors(loom)).toEqual([]);
  });

  it("of loose parts have a connector each, contact by contact with where it goes", () => {
    const loose = changeBoard(shareOutDirect(keyBlock(3, 1)), "panel", { kind: "loose" });
    const tables = partConnectors(chooseController(loose, "small-5v-18"));
    expect(tables.map(({ name }) => name)).toEqual(["K1", "K2", "K3"]);
    expect(tables[0].pins).toHaveLength(2);
    expect(tables[0].pins[0]).toMatchObject({ number: 1, contact: "1", net: "K1" });
    expect(tables[0].pins[1].net).toBe("GND");
    expect(tables[0].pins[1].to).not.toBe("");
  });
});

describe("the netlist", () => {
  it("has a net of its own between a switch and its diode, and no end twice", () => {
    const nets = netlistOf(finishedPad());
    const ends = nets.flatMap(({ pins }) => pins.map(({ part, number }) => `${part}-${number}`));
    expect(new Set(ends).size).toBe(ends.length);
    const diode = nets.filter(({ pins }) => pins.some(({ part }) => part === "D_K1"));
    expect(diode.map(({ pins }) => pins.length).sort((a, b) => a - b)[0]).toBe(2);
    expect(
      diode.flatMap(({ pins }) => pins.filter(({ part }) => part === "D_K1").map(({ end }) => end)).sort(),
    ).toEqual(["A", "K"]);
  });
});

describe("a chain of lights", () => {
  const grid = lightGrid(6, 4);

  it("is as long as the way: rows need ways back, to and fro does not, and nothing is shorter than the shortest", () => {
    const mm = (order: "row-by-row" | "serpentine" | "shortest") => {
      const ordered = orderLights(grid, "lights", order);
      expect([...chainOf(ordered).members].sort()).toEqual([...chainOf(grid).members].sort());
      return chainMm(ordered, chainOf(ordered));
    };
    expect(mm("serpentine")).toBeCloseTo(23 * 20, 6);
    expect(mm("shortest")).toBeCloseTo(23 * 20, 6);
    expect(mm("row-by-row")).toBeCloseTo(20 * 20 + 3 * Math.hypot(100, 20), 6);
  });

  it("shifts the indices behind a bridged light by one, and back", () => {
    const bridged = bridgeLight(grid, "lights", "l2:light", true);
    const rows = lightTable(bridged, chainOf(bridged));
    expect(rows.slice(0, 5).map(({ index, shift }) => [index, shift])).toEqual([
      [0, 0],
      [1, 0],
      [null, 0],
      [2, -1],
      [3, -1],
    ]);
    const back = bridgeLight(bridged, "lights", "l2:light", false);
    expect(lightTable(back, chainOf(back)).every(({ shift }) => shift === 0)).toBe(true);
    expect(orderLights(grid, "nowhere", "shortest")).toBe(grid);
  });
});
