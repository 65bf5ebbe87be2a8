import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { BOARD_AT, BOARD_ENTRY_BYTES, LAMP_ON } from "../contract/board";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { addControl, changeControl } from "../edits/controls";
import { setLampRule } from "../edits/keymap";
import { adoptPinPlan } from "../edits/pins";
import { shareOutDirect } from "../edits/wiring";
import { featuresOf } from "../firmware/features";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { planPins } from "../pins/planPins";
import { millisecondOf } from "../timing/millisecond";
import { boardBlock } from "./boardBlock";
import { flashImage } from "./flashImage";
import { usb8Code } from "./usb8Code";
import { usb8Pins } from "./usb8Pins";

describe("a sounder, and a keyboard that tells every key,", () => {
  const at = { xMm: 90, yMm: 40, rotationDeg: 0, boardId: "panel" };
  const withPins = (design: Design) => adoptPinPlan(design, planPins(design));
  const wired = withPins(shareOutDirect(addControl(finishedPad(), "buzzer", "beep", at)));
  const design = setLampRule(wired, "beep", { when: "held", inputId: "k1:press" });
  const tonesOf = (one: Design) => Object.values(scanTableOf(one).tones);

  it("is switched as a lamp is, and has the usual tone, its own, or none that the firmware makes", () => {
    expect(scanTableOf(design).lamps.map(({ controlId }) => controlId)).toContain("beep");
    expect(tonesOf(design)).toEqual([2700]);
    expect(tonesOf(changeControl(design, "beep", { toneHz: 440 }))).toEqual([440]);
    expect(tonesOf(changeControl(design, "beep", { toneHz: 440, ownTone: true }))).toEqual([]);
    expect(featuresOf(design, scanTableOf(design))).toContain("tone");
  });

  it("is told in the board block as half a wave in half microseconds", () => {
    const scan = scanTableOf(design);
    const block = boardBlock(design, scan, tableBytes(scan, design), usb8Pins(derive(design).profile!));
    const bytes = block.ok ? [...block.value] : [];
    const at = bytes[BOARD_AT.LAMP_TABLE] + 256 * bytes[BOARD_AT.LAMP_TABLE + 1];
    const line = scan.lamps.find(({ controlId }) => controlId === "beep")!.line;
    const entry = bytes.slice(at + BOARD_ENTRY_BYTES.LAMP * line, at + BOARD_ENTRY_BYTES.LAMP * (line + 1));
    expect(entry[0]).toBe(LAMP_ON.TONE);
    expect(entry[3] + 256 * entry[4]).toBe(370);
  });

  it("is one of a finished image: a second one that wants a tone is refused, one with its own is not", () => {
    const two = withPins(shareOutDirect(addControl(design, "buzzer", "second", { ...at, xMm: 120 })));
    const made = flashImage(two, usb8Code(two));
    expect(made.ok ? "" : made.problems[0].message).toMatch(/^has 2 sounders that want a tone; the chip's timer makes/);
    const own = changeControl(two, "second", { ownTone: true });
    expect(flashImage(own, usb8Code(own)).ok).toBe(true);
  });

  it("leaves a scan longer where every key has a bit, and not where no keyboard is declared", () => {
    const every = (one: Design) => ({ ...one, reportSet: { ...one.reportSet, everyKey: true } });
    const us = (one: Design) => millisecondOf(one).scanUs;
    expect(us(every(design)) - us(design)).toBeCloseTo(3220 / 16, 6);
    const silent = { ...design, reportSet: { ...design.reportSet, interfaces: [] } };
    expect(us(every(silent))).toBe(us(silent));
  });

  it("takes time while it sounds: two interrupts a wave", () => {
    const wave = millisecondOf(design).shares.find(({ what }) => what === "a tone of 2700 Hz, while it sounds")!;
    expect(wave.us).toBeCloseTo((2 * 2.7 * 64) / 16, 6);
  });
});
