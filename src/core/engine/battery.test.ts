import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { BATTERY, batteryAxis, usableLeft } from "../derived/batteryValue";
import type { Design } from "../document/schema";
import { usualSupply } from "../document/supplySettings";
import { addControl } from "../edits/controls";
import { setLampRule } from "../edits/keymap";
import { adoptPinPlan, chooseController } from "../edits/pins";
import { shareOutDirect, wireAs } from "../edits/wiring";
import { findingsOf } from "../findings/check";
import { scanTableOf } from "../firmware/scanTable";
import { planPins } from "../pins/planPins";
import { simulate } from "./simulate";

const pack = { kind: "battery", cell: "lithium-ion", series: 1, capacityMah: 1000, cutOffV: 3.3 } as const;
const at = (xMm: number) => ({ xMm, yMm: 0, rotationDeg: 0, boardId: "panel" });

/** A pad on a cell that is measured, with a lamp that shows what is left and a radio that sends it. */
function onBattery(change: Partial<Design["supply"]> = {}): Design {
  const lamped = addControl(finishedPad(), "lamp", "low", at(200));
  const wired = wireAs(shareOutDirect(addControl(lamped, "radio", "r1", at(240))), "spi-radio", ["r1:radio"]);
  const shown = setLampRule(wired, "low", { when: "value", elementId: BATTERY, atLeast: 128 });
  const moved = chooseController(shown, "dual-core-3v3-26");
  const measured = { topOhm: 100_000, bottomOhm: 100_000 };
  const supplied = { ...moved, supply: { ...usualSupply, source: pack, measured, ...change } };
  return adoptPinPlan(supplied, planPins(supplied));
}

/** What is told of the battery when it stands at so much of its way from cut-off to full. */
function toldAt(percent: number | null, design = onBattery()) {
  const lamps: boolean[] = [];
  const events = percent === null ? [] : [{ atMs: 20, action: "set" as const, control: "battery", percent }];
  const run = simulate(design, { events, untilMs: 2500 }, { lamp: (_, __, on) => lamps.push(on) });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  const [received] = run.value.packets.at(-1)!.received;
  const value = received.ok ? received.values.find(({ name }) => name === "Battery")?.words : undefined;
  return { value, isLit: lamps.at(-1) };
}

const percentAt = (percent: number, design?: Design) => parseInt(toldAt(percent, design).value!, 10);

describe("a battery that is measured", () => {
  it("is full when nobody says otherwise, and empty at its cut-off", () => {
    expect(toldAt(null)).toEqual({ value: "100 %", isLit: true });
    expect(toldAt(0)).toEqual({ value: "0 %", isLit: false });
    expect(toldAt(100)).toEqual({ value: "100 %", isLit: true });
  });

  // 3.75 V is half of the cell's charge; below its cut-off lie 6.7 % that are not used: (50 - 6.7) / 93.3.
  it("tells what is left by the cell's curve, not by its voltage", () => {
    expect(usableLeft(pack, 3.75)).toBeCloseTo(0.464, 3);
    expect(Math.abs(percentAt(50) - 46)).toBeLessThan(2);
    expect(toldAt(50).isLit).toBe(false);
    // 4.08 V: 90 %.
    expect(usableLeft(pack, 4.08)).toBeCloseTo(0.893, 3);
    expect(Math.abs(percentAt(((4.08 - 3.3) / 0.9) * 100) - 89)).toBeLessThan(3);
  });

  it("is read between the pin's voltages at cut-off and full, as parts of the converter's reference", () => {
    // Half of 3.3 V and of 4.2 V, of 3.3 V.
    expect(batteryAxis(onBattery())).toMatchObject({ lowest: 50, highest: (100 * 2.1) / 3.3 });
    const two = onBattery({ source: { ...pack, series: 2 }, measured: { topOhm: 300_000, bottomOhm: 100_000 } });
    expect(batteryAxis(two)).toMatchObject({ lowest: 50, highest: (100 * 2.1) / 3.3 });
    expect(Math.abs(percentAt(50, two) - 46)).toBeLessThan(2);
  });

  it("is not there where none is, or nothing measures it", () => {
    for (const design of [onBattery({ measured: null }), onBattery({ source: { kind: "usb-2" } })]) {
      expect(batteryAxis(design)).toBeNull();
      expect(scanTableOf(design).sensors).not.toContain(BATTERY);
      expect(findingsOf(design).some(({ message }) => /shows a knob that is gone; it stays dark/.test(message))).toBe(
        true,
      );
      const events = [{ atMs: 20, action: "set" as const, control: "battery", percent: 10 }];
      expect(simulate(design, { events, untilMs: 50 })).toMatchObject({
        problems: [{ path: "events.0.control", message: 'the design has no control "battery"' }],
      });
    }
  });

  it("gives no rule of sticks and pots anything to say", () => {
    const said = findingsOf(onBattery()).filter(({ rule }) => /axis|dangling/.test(rule));
    expect(said.map(({ message }) => message)).toEqual([]);
  });
});
