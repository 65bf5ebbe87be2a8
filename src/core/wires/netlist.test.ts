import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad, keyBlock, wiredDemos } from "../../../tests/support/designs";
import type { Control } from "../catalogue/kinds";
import type { Circuit } from "../circuits";
import type { LadderCircuit } from "../circuits/ladder";
import { derive } from "../derived/derive";
import { addControl, changeControl } from "../edits/controls";
import { chooseController } from "../edits/pins";
import { changeCircuit, shareOutDirect, wireAs, wireNew } from "../edits/wiring";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { distanceMm } from "../geometry/point";
import { shareOutPins } from "../edits/shareOutPins";
import { type NetlistNet, netlistOf } from "./netlist";
import { wiresOf } from "./wires";

const row = (kind: Control["kind"], count: number, profileId: string, fields: object = {}): Design => {
  const ids = Array.from({ length: count }, (_, nth) => `c${nth}`);
  const placed = ids.reduce(
    (d, id, nth) => addControl(d, kind, id, { xMm: nth * 25, yMm: 0, rotationDeg: 0, boardId: "panel" }),
    newDesign("row", "Row"),
  );
  return chooseController(
    ids.reduce((d, id) => changeControl(d, id, fields), placed),
    profileId,
  );
};
const all = (design: Design, kind: Circuit["kind"]) => wireAs(design, kind, [...derive(design).elements.keys()]);
const partsOf = (nets: NetlistNet[]) => nets.flatMap(({ pins }) => pins.map(({ part, end }) => `${part}.${end}`));
const netWith = (nets: NetlistNet[], pin: string) =>
  nets.find(({ pins }) => pins.some(({ part, end }) => `${part}.${end}` === pin));

describe("names in the netlist", () => {
  const labelled = (...labels: string[]) =>
    labels.reduce((d, label, nth) => changeControl(d, `c${nth}`, { label }), row("key", labels.length, "small-5v-18"));

  it("keep two keys of one label apart", () => {
    const nets = netlistOf(shareOutPins(shareOutDirect(labelled("A", "A"))));
    expect(netWith(nets, "A.1")).not.toBe(netWith(nets, "A_2.1"));
    expect(new Set(nets.map(({ name }) => name)).size).toBe(nets.length);
  });

  it("keep a key called GND off ground, and one called R1 off row 1", () => {
    const keys = row("key", 5, "small-5v-18");
    const named = changeControl(changeControl(keys, "c0", { label: "GND" }), "c1", { label: "R1" });
    const design = wireNew(wireNew(named, "direct", ["c0:press", "c1:press"]), "matrix", [
      "c2:press",
      "c3:press",
      "c4:press",
    ]);
    const nets = netlistOf(shareOutPins(design));
    expect(netWith(nets, "GND.1")!.pins.map(({ part }) => part)).not.toContain("R1");
    expect(netWith(nets, "R1.1")!.pins.some(({ part }) => part.startsWith("D_"))).toBe(false);
    expect(nets.map(({ name }) => name).filter((name) => name === "GND")).toHaveLength(1);
  });

  it("keep a key called D K1 apart from the diode of K1", () => {
    const design = wireAs(labelled("K1", "D K1"), "matrix", ["c0:press", "c1:press"]);
    const ends = partsOf(netlistOf(design));
    expect(new Set(ends).size).toBe(ends.length);
  });

  it("keep the lines of two matrices apart", () => {
    const design = wireNew(wireAs(row("key", 4, "small-5v-18"), "matrix", ["c0:press", "c1:press"]), "matrix", [
      "c2:press",
      "c3:press",
    ]);
    const rows = netlistOf(design).filter(({ pins }) => pins.some(({ part }) => /^D_/.test(part)) && pins.length > 2);
    expect(new Set(rows.map(({ name }) => name)).size).toBe(rows.length);
  });
});

describe("every end", () => {
  const designs = [
    ...wiredDemos,
    finishedPad(),
    all(row("ladder-pad", 30, "small-5v-18"), "ladder"),
    all(row("key", 20, "dual-core-3v3-26"), "input-registers"),
    all(row("key", 20, "dual-core-3v3-26"), "expander"),
    all(row("lamp", 12, "dual-core-3v3-26"), "charlieplex"),
    all(row("light", 5, "dual-core-3v3-26"), "light-chain"),
    all(row("display", 9, "dual-core-3v3-26"), "bus-displays"),
    all(row("motor", 2, "dual-core-3v3-26"), "direct"),
  ];

  it.each(designs)("of $name stands on one net, at a place of its own", (design) => {
    const nets = netlistOf(design);
    const ends = nets.flatMap(({ pins }) => pins);
    const names = partsOf(nets);
    // Both sides of a control may carry pads of one name at several places (ground pads of the module).
    const own = names.filter((name) => !name.startsWith("A1."));
    expect(new Set(own).size).toBe(own.length);
    const owner = new Map(nets.flatMap((net) => net.pins.map((pin) => [pin, net.name] as const)));
    const inLeads = ends.filter(({ part }) => /^[RD]_/.test(part));
    const clashes = inLeads.flatMap((end) =>
      ends.filter((other) => owner.get(other) !== owner.get(end) && distanceMm(other.at, end.at) < 1),
    );
    expect(clashes).toEqual([]);
  });

  it("of a ladder's pads is on the row of resistors", () => {
    const nets = netlistOf(all(row("ladder-pad", 12, "small-5v-18"), "ladder"));
    for (let pad = 1; pad <= 12; pad++)
      expect(netWith(nets, `LP${pad}.pad`)?.pins.some(({ part }) => part.startsWith("R_LADDER_RUNG"))).toBe(true);
  });

  it("of a register's input has its pull-up to the supply", () => {
    const nets = netlistOf(all(row("key", 8, "dual-core-3v3-26"), "input-registers"));
    const pulls = netWith(nets, "A1.3V3")!.pins.filter(({ part }) => part.startsWith("R_IN_PULL_UP"));
    expect(pulls).toHaveLength(8);
  });

  it("of a bus has one pair of pull-ups, whatever hangs on it, and each branch its own", () => {
    const keys = row("key", 4, "dual-core-3v3-26");
    const withDisplays = [0, 1].reduce(
      (d, nth) => addControl(d, "display", `d${nth}`, { xMm: nth * 40, yMm: 60, rotationDeg: 0, boardId: "panel" }),
      keys,
    );
    const both = wireAs(
      wireAs(withDisplays, "expander", ["c0:press", "c1:press", "c2:press", "c3:press"]),
      "bus-displays",
      ["d0:display", "d1:display"],
    );
    const pullUps = (design: Design) => derive(design).shunts.filter(({ id }) => id.includes("pull-up")).length;
    expect(pullUps(both)).toBe(2);
    // Nine displays of two addresses: five branches with a pair each, beside the bus's own.
    expect(pullUps(all(row("display", 9, "dual-core-3v3-26"), "bus-displays"))).toBe(2 + 10);
  });
});

describe("rails", () => {
  const padOf = (design: Design, end: string) =>
    netWith(netlistOf(design), end)
      ?.pins.filter(({ part }) => part === "A1")
      .map(({ end: pad }) => pad);

  it("feed 5 V lights and their shifter from the 5 V pad of a 3.3 V board", () => {
    const lights = changeCircuit(all(row("light", 12, "dual-core-3v3-26"), "light-chain"), "lights", {
      shifted: true,
    } as Partial<Circuit>);
    expect(padOf(lights, "LT1.plus")).toEqual(["5V"]);
    expect(padOf(lights, "LIGHTS_U1.VCC")).toEqual(["5V"]);
    const supply = wiresOf(lights).filter(({ net, to }) => net === "5V" && to.id.startsWith("pin "));
    expect(supply.map(({ to }) => to.name)).toEqual(["pin 5V"]);
  });

  it("give a pot the logic's own voltage, also on a 5 V board with a 3.3 V pad", () => {
    expect(padOf(shareOutDirect(row("pot", 1, "large-5v-70")), "P1.1")).toEqual(["5V"]);
    expect(padOf(shareOutDirect(row("pot", 1, "dual-core-3v3-26")), "P1.1")).toEqual(["3V3"]);
  });

  it("give a radio 3.3 V", () => {
    expect(padOf(all(row("radio", 1, "dual-core-3v3-26"), "spi-radio"), "RM1.plus")).toEqual(["3V3"]);
    expect(padOf(all(row("radio", 1, "large-5v-70"), "spi-radio"), "RM1.plus")).toEqual(["3V3"]);
  });

  it("switch a motor through a transistor with its base resistor and its flyback diode", () => {
    for (const [currentMa, title, value] of [
      [30, "NPN", "1500 Ω"],
      [80, "MOSFET", "100 Ω"],
      [2000, "MOSFET", "100 Ω"],
    ] as const) {
      const motor = shareOutDirect(row("motor", 1, "dual-core-3v3-26", { currentMa }));
      expect(
        derive(motor)
          .chips.map((chip) => chip.title)
          .join(),
      ).toContain(title);
      expect(derive(motor).shunts.map((shunt) => shunt.value)).toContain(value);
      const diode = derive(motor).shunts.find(({ sort }) => sort === "diode")!;
      expect([diode.from, diode.to]).toEqual(["c0:motor/low", "5V"]);
    }
    const quiet = shareOutDirect(row("buzzer", 1, "dual-core-3v3-26", { currentMa: 3 }));
    expect(derive(quiet).chips).toEqual([]);
  });
});

describe("a ladder's bank", () => {
  it("floats while another one is read", () => {
    const ladder = changeCircuit<LadderCircuit>(all(row("ladder-pad", 8, "small-5v-18"), "ladder"), "ladder", {
      perBank: 4,
    });
    const banks = derive(ladder).nets.filter(({ role }) => role === "bank");
    expect(banks).toHaveLength(2);
    for (const { need } of banks) expect(need).toMatchObject({ input: true, output: true });
  });
});

describe("a net of very many ends", () => {
  it("is wired from place to place: the ground of 220 five-ways", () => {
    const many = row("five-way", 220, "large-5v-70");
    const design = shareOutDirect(many);
    const ground = wiresOf(design).filter(({ net }) => net === "GND");
    expect(derive(design).nets.find(({ flag }) => flag === "GND")!.joints.length).toBeGreaterThan(1024);
    expect(ground.filter(({ from, to }) => from.id === to.id)).toEqual([]);
    expect(ground.every(({ straightMm }) => Number.isFinite(straightMm) && straightMm > 0)).toBe(true);
  });
});

describe("Kestrel's lamps", () => {
  it("lie as near to each other as a resistor is long, and share no place", () => {
    const kestrel = demoDesigns.find(({ id }) => id === "kestrel")!;
    const nets = netlistOf(kestrel);
    const at = new Map<string, string>();
    for (const { name, pins } of nets)
      for (const { at: place } of pins) {
        const key = `${place.xMm.toFixed(2)} ${place.yMm.toFixed(2)}`;
        expect(at.get(key) ?? name, key).toBe(name);
        at.set(key, name);
      }
  });

  it("and a block of keys without a pin plan has a netlist too", () => {
    expect(netlistOf(shareOutDirect(keyBlock(3, 3))).length).toBeGreaterThan(0);
  });
});
