import { describe, expect, it } from "vitest";
import { newDesign } from "../document/newDesign";
import { hostKinds, unlistedKinds } from "./hostKinds";
import type { InterfaceKind } from "./interfaceKinds";

const declaring = (...interfaces: InterfaceKind[]) => {
  const design = newDesign("a", "A");
  return { ...design, reportSet: { ...design.reportSet, interfaces } };
};

describe("as what a computer lists a device", () => {
  it("has a line for each interface that people see, in the order of their numbers", () =>
    expect(hostKinds(declaring("music", "keyboard", "live", "pad"))).toEqual([
      "keyboard",
      "game controller",
      "sound device, a MIDI port that it plays on",
    ]));

  it("counts those that only a program of one's own speaks with", () =>
    expect(unlistedKinds(declaring("keyboard", "live", "panel"))).toBe(2));

  it("says that a device that hears notes listens too, and not where it plays no music", () => {
    const panel = { flags: [], values: [], notes: { channel: 0, note: 60, controller: 20 } };
    const hearing = (...interfaces: InterfaceKind[]) => ({
      reportSet: { ...declaring(...interfaces).reportSet, panel },
    });
    expect(hostKinds(hearing("music"))).toEqual([
      "sound device, a MIDI port that it plays on and one that it listens to",
    ]);
    expect(hostKinds(hearing("keyboard"))).toEqual(["keyboard"]);
  });

  it("has a serial port last, where lines are taken", () => {
    const design = declaring("keyboard");
    const reportSet = { ...design.reportSet, panel: { flags: [], values: [], lines: true } };
    expect(hostKinds({ reportSet })).toEqual(["keyboard", "serial port"]);
  });

  it("is nothing for a device that declares nothing", () => expect(hostKinds(declaring())).toEqual([]));
});
