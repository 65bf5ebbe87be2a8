import { describe, expect, it } from "vitest";
import { modularDesigns } from "../../../demo";
import { readDesign } from "../document/readDesign";
import { derive } from "../derived/derive";
import { findingsOf } from "../findings/check";
import { overLimits } from "../firmware/capacity";
import { busyBusMs, linkTimes } from "../firmware/linkTimes";
import { scanTableOf } from "../firmware/scanTable";
import { busAddresses, hexAddress } from "../levels/addresses";
import { planPins } from "../pins/planPins";
import { conductorsAcross } from "../wires/across";
import { netlistOf } from "../wires/netlist";
import { addBoard } from "./boards";
import { addControl } from "./controls";
import {
  changeCalls,
  changePartLink,
  linkToMain,
  ownControllerFor,
  removeController,
  removePartLink,
} from "./controllers";
import { adoptPinPlan } from "./pins";

const [dunlin] = modularDesigns;
const [base, jog, marks] = dunlin.controllers.map(({ id }) => id);
const netsOf = (controllerId: string, design = dunlin) =>
  derive(design)
    .netsFor(controllerId)
    .map(({ id }) => id);

describe("modules on the bus of a base", () => {
  it("share its two wires and one line, at addresses that follow from what each is loaded as", () => {
    const links = netsOf(base).filter((id) => /^i2c|call/.test(id));
    expect(links).toEqual(["i2c0.SCL", "i2c0.SDA", "modules.call"]);
    for (const id of [jog, marks]) expect(netsOf(id).filter((net) => /^link/.test(net))).toHaveLength(3);
    expect(busAddresses(dunlin).map(({ part, address }) => `${part} ${hexAddress(address)}`)).toEqual([
      "Jog module 31 hex",
      "Mark module 32 hex",
    ]);
  });

  it("take a pin more for each beyond the first when each calls on a line of its own, and give them back", () => {
    const own = changeCalls(dunlin, "own");
    expect(netsOf(base, own)).toHaveLength(netsOf(base).length + 1);
    expect(netsOf(jog, own)).toEqual(netsOf(jog));
    const planned = adoptPinPlan(own, planPins(own));
    expect(Object.keys(planned.pinPlan)).toContain("link-near.call");
    const back = changeCalls(planned, "shared");
    expect(Object.keys(back.pinPlan)).not.toContain("link-near.call");
    expect(changeCalls(own, "shared").partLinks).toEqual(dunlin.partLinks);
  });

  it("hang on five conductors each, plugs in one order at both ends, pull-ups once", () => {
    const boardOf = (id: string) => dunlin.controllers.find((one) => one.id === id)!.placement.boardId;
    for (const id of [jog, marks])
      expect(conductorsAcross(dunlin, boardOf(base), boardOf(id))).toEqual([
        "supply",
        "clock",
        "data",
        "call",
        "ground",
      ]);
    const { chips, shunts } = derive(dunlin);
    const plugs = chips.filter(({ part }) => part === "module-plug");
    expect(plugs).toHaveLength(4);
    for (const { terminals } of plugs)
      expect(terminals.map(({ name }) => name)).toEqual(["supply", "clock", "data", "call", "ground"]);
    expect(shunts.filter(({ id }) => id.includes("pull-up")).map(({ id }) => id)).toEqual([
      "i2c0.pull-up SCL",
      "i2c0.pull-up SDA",
    ]);
  });

  it("are in the netlist with each pad on one net", () => {
    const pins = netlistOf(dunlin).flatMap((net) =>
      net.pins.map(({ part, end, number }) => `${part} ${end} ${number}`),
    );
    expect(new Set(pins).size).toBe(pins.length);
    for (const part of ["A1 ", "A2 ", "A3 "]) expect(pins.some((pin) => pin.startsWith(part))).toBe(true);
  });

  it("have nothing to settle as the demo is, and are read as they were written", () => {
    expect(findingsOf(dunlin)).toEqual([]);
    const read = readDesign(JSON.parse(JSON.stringify(dunlin)));
    expect(read.ok && read.value).toEqual(dunlin);
  });

  it("are told of before: one to three milliseconds, two with a line each; the bus is busy for less than half of one", () => {
    expect(linkTimes(dunlin)).toEqual({ least: 1, most: 3 });
    expect(linkTimes(changeCalls(dunlin, "own"))).toEqual({ least: 1, most: 2 });
    // By hand: the base tells 1 + 1 + 4 + 2 bytes, a module at most 1 + 1 + 2 (flags, contacts, steps); 5 and 1 more around and before each, 9 × 2.5 µs a byte.
    const { length } = scanTableOf(dunlin).switches;
    expect(length).toBe(17);
    expect(busyBusMs(dunlin)).toBeCloseTo((8 + 4 + 10) * 0.0225, 9);
  });
});

describe("a part more", () => {
  const wider = addControl(addBoard(dunlin, "third", "Third", "half"), "key", "more", {
    xMm: 300,
    yMm: 0,
    rotationDeg: 0,
    boardId: "third",
  });

  it("joins as the others are, and takes no number that is taken", () => {
    const joined = ownControllerFor(wider, "third", "small-5v-18", "shared");
    expect(joined.partLinks!.map(({ id, calls }) => [id, calls])).toEqual([
      ["link", "shared"],
      ["link-2", "shared"],
      ["link-3", "shared"],
    ]);
    const apart = removePartLink(joined, "link-2");
    expect(linkToMain(apart, marks).partLinks!.find(({ farId }) => farId === marks)!.calls).toBe("shared");
  });

  it("on a serial line beside modules is refused in words, and so are two serial lines", () => {
    const mixed = ownControllerFor(wider, "third", "small-5v-18", null);
    expect(overLimits(scanTableOf(mixed), mixed)).toEqual([
      "1 serial lines beside modules on a bus; the firmware numbers 0",
    ]);
    const lines = { ...dunlin, partLinks: dunlin.partLinks!.map(({ calls: _, ...link }) => link) };
    expect(overLimits(scanTableOf(lines), lines)[0]).toMatch(/^2 serial lines between parts, where more want a bus;/);
  });

  it("takes plugs that go on either way, which is found", () => {
    const either = changePartLink(dunlin, "link", { plug: "either-way" });
    expect(findingsOf(either).map(({ rule }) => rule)).toContain("wiring/link-plug");
  });

  it("that is taken away gives its circuits to the base and its line back", () => {
    const less = removeController(dunlin, jog);
    expect(less.partLinks!.map(({ farId }) => farId)).toEqual([marks]);
    expect(less.circuits.every(({ controllerId }) => controllerId !== jog)).toBe(true);
  });
});
