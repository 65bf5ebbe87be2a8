import { describe, expect, it } from "vitest";
import { finishedPad, keyBlock, pad } from "../../../tests/support/designs";
import { changeControl } from "../edits/controls";
import { chooseController } from "../edits/pins";
import { shareOutPins } from "../edits/shareOutPins";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { planPins } from "../pins/planPins";
import { netlistOf } from "../wires/netlist";
import { derive } from "./derive";
import { withOwnFlags } from "./ownFlags";

const net = (flag: string) => ({ id: flag.toLowerCase(), flag, role: "switch" as const, need: null, joints: [] });

describe("What follows from a design", () => {
  it("is worked out once and kept with the design", () => {
    const design = pad();
    let times = 0;
    const count = () => (times += 1);
    expect(derive(design)).toBe(derive(design));
    derive(design).once("count", count);
    expect(derive(design).once("count", count)).toBe(1);
    expect(derive({ ...design }).once("count", count)).toBe(2);
  });

  it("an edit of one key leaves the outlines of the others the same objects", () => {
    const before = keyBlock(3, 2);
    const after = changeControl(before, "k2", { label: "X" });
    const bodies = (design: typeof before) => derive(design).bodies;
    expect(bodies(after)[0]).toBe(bodies(before)[0]);
    expect(bodies(after)[1]).not.toBe(bodies(before)[1]);
  });

  it("a net knows whose pins it wants", () => {
    const wired = shareOutMatrix(pad(), "as-laid-out");
    expect(derive(wired).nets.map(({ controllerId }) => controllerId)).toEqual(derive(wired).nets.map(() => null));
    const chosen = chooseController(wired, "small-5v-18");
    const { nets, signalNets, controllers } = derive(chosen);
    expect(new Set(nets.map(({ controllerId }) => controllerId))).toEqual(new Set(["controller"]));
    expect(derive(chosen).netsFor("controller")).toEqual(signalNets);
    expect(derive(chosen).netsFor("nobody")).toEqual([]);
    expect(derive(chosen).controllerOf(signalNets[0])).toBe(controllers[0]);
  });

  it("a second controller takes no pins and no part of the netlist while no net wants it", () => {
    const done = finishedPad();
    const [first] = done.controllers;
    const aside = { ...first, id: "second", placement: { ...first.placement, xMm: 400 } };
    const two = { ...done, controllers: [first, aside] };
    expect(derive(two).controllers.map(({ controller }) => controller.id)).toEqual(["controller", "second"]);
    expect(planPins(two)).toEqual(planPins(done));
    expect(shareOutPins(two).pinPlan).toEqual(shareOutPins(done).pinPlan);
    expect(netlistOf(two)).toEqual(netlistOf(done));
  });

  it("a controller whose class nobody knows has its place in the list and no outline", () => {
    const lost = { ...finishedPad(), controllers: [{ ...finishedPad().controllers[0], profileId: "constructor" }] };
    expect(derive(lost).controllers).toEqual([{ controller: lost.controllers[0], profile: null, outline: null }]);
    expect(planPins(lost).unplaced).toEqual(derive(lost).signalNets.map(({ id }) => id));
  });
});

describe("Flags", () => {
  it("are told apart by numbers, rails first", () => {
    const flags = withOwnFlags([net("GND"), net("A"), net("A"), net("A·2")], [net("GND")]).map(({ flag }) => flag);
    expect(flags).toEqual(["GND·2", "A", "A·2", "A·2·2"]);
    expect(new Set(flags).size).toBe(4);
  });
});
