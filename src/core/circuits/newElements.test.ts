import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { controllerCatalogue } from "../catalogue/controllers";
import type { Control } from "../catalogue/kinds";
import { derive } from "../derived/derive";
import { addControl, changeControl, placeControls } from "../edits/controls";
import { chooseController, adoptPinPlan } from "../edits/pins";
import { shareOutDirect, wireDirect } from "../edits/wiring";
import { shareOutMatrix } from "../edits/shareOutMatrix";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { findingsOf } from "../findings/check";
import { lacks } from "../pins/capability";
import { planPins } from "../pins/planPins";
import { analogNeed, busNeed, pwmNeed } from "./net";

const at = (xMm: number) => ({ xMm, yMm: 0, rotationDeg: 0, boardId: "panel" });
const withKinds = (kinds: Control["kind"][]): Design =>
  kinds.reduce((d, kind, nth) => addControl(d, kind, `c${nth}`, at(nth * 70)), newDesign("d", "D"));

describe("voltages, switched parts and devices", () => {
  const design = shareOutDirect(withKinds(["stick", "pot", "buzzer", "motor", "display", "light", "fixing"]));
  const { signalNets, elements, circuitsOf } = derive(design);

  it("are wired direct where a pin can serve them, and else stay to be wired", () => {
    expect(signalNets.filter(({ role }) => role === "analog").map(({ id }) => id)).toEqual([
      "c0:x",
      "c0:y",
      "c1:wiper",
    ]);
    expect(signalNets.filter(({ role }) => role === "output")).toHaveLength(2);
    const loose = [...elements.keys()].filter((id) => !circuitsOf.has(id));
    expect(loose).toEqual(["c4:display", "c5:light"]);
    expect(findingsOf(design).find(({ rule }) => rule === "wiring/unwired")!.subjects).toHaveLength(2);
  });

  it("are not moved into a circuit that cannot take them", () =>
    expect(wireDirect(design, ["c4:display"]).circuits).toEqual(design.circuits));

  it("get pins that can serve them: wipers on analog channels, motors on PWM", () => {
    const placed = chooseController(design, "mid-3v3-34");
    const { assignments, unplaced } = planPins(placed);
    expect(unplaced).toEqual([]);
    const pins = controllerCatalogue.find(({ id }) => id === "mid-3v3-34")!.pins;
    for (const net of derive(placed).signalNets)
      expect(
        lacks(
          pins.find(({ name }) => name === assignments[net.id])!,
          net.need!,
        ),
        net.id,
      ).toBeNull();
    const wrong = adoptPinPlan(placed, { assignments: { "c1:wiper": "P10" } });
    expect(
      findingsOf(wrong).some(({ rule, message }) => rule === "pins/incapable" && /no analog channel/.test(message)),
    ).toBe(true);
  });

  it("stay direct when the switches go into a matrix", () => {
    const mixed = shareOutMatrix(withKinds(["stick", "key", "five-way", "toggle"]), "fewest-pins");
    const roles = derive(mixed).signalNets.map(({ role }) => role);
    expect(roles.filter((role) => role === "analog")).toHaveLength(2);
    // One push, one key, five ways and one toggle: eight switches in 2 × 4.
    expect(roles.filter((role) => role === "row" || role === "column")).toHaveLength(6);
  });
});

describe("what a pin lacks", () => {
  const pin = controllerCatalogue[0].pins.find(({ name }) => name === "P4")!;
  it("is told in words", () => {
    expect(lacks(pin, analogNeed)).toBe("has no analog channel");
    expect(lacks({ ...pin, pwm: false }, pwmNeed)).toBe("has no PWM");
    expect(lacks(pin, busNeed("i2c", "SDA"))).toBeNull();
    expect(lacks(pin, busNeed("spi", "clock"))).toBe("is not the clock line of a bus");
  });
});

describe("shapes on the mat", () => {
  const design = finishedPad();
  it("are kept for controls that an edit leaves alone, and made anew for the one it moves", () => {
    const moved = placeControls(design, new Map([["k1", { xMm: 1 }]]));
    const [before, after] = [derive(design).capPieces, derive(moved).capPieces];
    expect(after[1].outline).toBe(before[1].outline);
    expect(after[0].outline).not.toBe(before[0].outline);
  });
  it("follow the pitch and the part", () => {
    const wider = { ...design, pitch: { xMm: 20, yMm: 20 } };
    expect(derive(wider).capPieces[0].outline).not.toEqual(derive(design).capPieces[0].outline);
    const round = changeControl(design, "k1", { partId: "button-24" });
    expect(derive(round).capPieces[0].outline.core).toHaveLength(1);
  });
  it("show contacts mirrored for a part mounted from the solder side", () => {
    const contact = (d: Design) => derive(d).elements.get("k1:press")!.contacts[0].at;
    const mirrored = placeControls(design, new Map([["k1", { mirrored: true }]]));
    expect(contact(mirrored).xMm).toBeCloseTo(-contact(design).xMm, 9);
    expect(contact(mirrored).yMm).toBe(contact(design).yMm);
  });
  it("fall back on the kind's usual part when a named one is gone", () => {
    const lost = changeControl(design, "k1", { partId: "gone" });
    expect(derive(lost).partOf(lost.controls[0]).id).toBe("switch-full");
  });
});
