import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { chainOf, elementIds, rowOf } from "../../../tests/support/litRows";
import { finishedPad, keyBlock } from "../../../tests/support/designs";
import { addControl } from "../edits/controls";
import { bind } from "../edits/keymap";
import { setInterfaces } from "../edits/reportSet";
import { findingsOf } from "../findings/check";
import type { Circuit } from "../circuits";
import type { Design } from "../document/schema";
import { adoptPinPlan, chooseController } from "../edits/pins";
import { planPins } from "../pins/planPins";
import { wireAs } from "../edits/wiring";
import { setBus } from "../edits/buses";
import { writeUs } from "./busTime";
import { type QueueSpec, askings, lossByRate, playQueue } from "./interruptQueue";
import { knobLimits } from "./knobLimits";
import { latencyOf } from "./latency";
import { LIGHT_BYTES, LIGHT_US, lightsMs } from "../contract/contract";
import { millisecondOf } from "./millisecond";

const named = (id: string) => demoDesigns.find((design) => design.id === id)!;

describe("times of the trade, by hand", () => {
  it("60 lights take 1.8 ms, and 6 cycles of 16 MHz between two of their bytes: within 4 % more", () => {
    const us = 60 * LIGHT_BYTES * LIGHT_US.BYTE;
    expect(us).toBe(1800 + (180 * 6) / 16);
    expect(us / 1800).toBeLessThan(1.04);
    expect([1, 30, 32, 60].map(lightsMs)).toEqual([1, 1, 2, 2]);
  });

  it("six columns of a display are eight bytes on the bus: 185 µs at 400 kHz", () =>
    expect(writeUs(6, 400)).toBe((6 * 9 + 20) * 2.5));
});

describe("one millisecond", () => {
  /** Worst scans of the finished images on the simulated chip, twenty switches at once, in cycles. */
  const keys = (rows: number, columns: number) => keyBlock(columns, rows);
  const all = (design: Design, kind: Circuit["kind"]) => wireAs(design, kind, elementIds(design));
  it.each<[string, Design, number]>([
    ["Kestrel", named("kestrel"), 13_972],
    ["Loom 64", named("loom-64"), 15_175],
    ["Glasshouse", named("glasshouse"), 15_050],
    ["Tern", named("tern"), 9278],
    ["Reedling", named("reedling"), 9263],
    ["eight keys on pins", all(keys(2, 4), "direct"), 6413],
    ["16 keys on pins", all(keys(4, 4), "direct"), 7553],
    ["32 keys on registers", all(keys(4, 8), "input-registers"), 8738],
    ["32 keys on expanders", all(keys(4, 8), "expander"), 11_885],
    ["48 keys on expanders", all(keys(6, 8), "expander"), 14_287],
    ["32 keys on multiplexers", all(keys(4, 8), "multiplexer"), 10_109],
    ["64 keys on multiplexers", all(keys(8, 8), "multiplexer"), 11_755],
  ])("of %s is within a tenth of what its worst scan took", (_, design, cycles) => {
    const moved = chooseController(design, "small-5v-18");
    const planned = adoptPinPlan(moved, planPins(moved));
    const { scanUs } = millisecondOf(planned);
    expect(scanUs * 16).toBeGreaterThan(0.9 * cycles);
    expect(scanUs * 16).toBeLessThan(1.1 * cycles);
  });

  it("of 64 keys that play is on time over USB, and late with a socket too, which is found", () => {
    const plays = keys(8, 8).controls.reduce(
      (d, { id }, nth) => bind(d, "base", `${id}:press`, { does: "note", note: 24 + nth, velocity: 96, channel: 0 }),
      setInterfaces(all(chooseController(keys(8, 8), "small-5v-18"), "input-registers"), ["music"]),
    );
    const late = (design: Design) =>
      findingsOf(design).some(({ rule, message }) => rule === "circuits/late-scan" && /up to 1\.0 ms/.test(message));
    expect(late(plays)).toBe(false);
    const at = { xMm: 0, yMm: -120, rotationDeg: 0, boardId: plays.boards[0].id };
    expect(late(wireAs(addControl(plays, "music-socket", "m", at), "music-out", ["m:socket"]))).toBe(true);
  });

  it("is longer by a display's cell only where that is slower than many changes: on a bus of 100 kHz", () => {
    const display = rowOf("display", 1, "small-5v-18");
    const wired = wireAs(display, "bus-displays", elementIds(display));
    const slow = setBus(wired, 0, { khz: 100 });
    const added = millisecondOf(slow).worstUs - millisecondOf(wired).worstUs;
    expect(added).toBeCloseTo(writeUs(6, 100) - writeUs(6, 400), 6);
    expect(millisecondOf(slow).scanUs).toBe(millisecondOf(wired).scanUs);
  });

  it("has a mean below the longest time between two readings, which lights of two milliseconds make three", () => {
    const { meanUs, worstUs, gapUs } = millisecondOf(chainOf(60));
    expect(worstUs).toBeLessThan(1000);
    expect(gapUs).toBe(3000);
    expect(meanUs).toBeLessThan(gapUs);
  });
});

describe("a knob's limit", () => {
  const pad = finishedPad();
  const lit = (lights: number) => {
    const added = Array.from({ length: lights }, (_, n) => n).reduce(
      (d, n) => addControl(d, "light", `n${n}`, { xMm: n * 12, yMm: 120, rotationDeg: 0, boardId: "panel" }),
      pad,
    );
    return lights === 0
      ? added
      : wireAs(
          added,
          "light-chain",
          elementIds(added).filter((id) => id.startsWith("n")),
        );
  };

  it("told by edges is that of the interrupts, whatever lights are sent", () => {
    const [quiet] = knobLimits(lit(0));
    expect(quiet.isTold).toBe(true);
    expect(quiet.turns).toBeCloseTo(1e6 / 44 / quiet.statesPerTurn, 6);
    const [lights] = knobLimits(lit(60));
    expect(lights.turns).toBe(quiet.turns);
    expect(lights.quietTurns).toBe(quiet.turns);
  });

  it("read once a scan is that of the longest time between two readings: 60 lights take two whole milliseconds", () => {
    const [read] = knobLimits(chooseController(lit(60), "dual-core-3v3-26"));
    expect(read.isTold).toBe(false);
    expect(read.blindUs).toBe(3000);
    expect(read.quietTurns).toBeGreaterThan(2.9 * read.turns);
    expect(read.interpretedTurns).toBeLessThan(read.turns);
  });
});

describe("press to report", () => {
  it("adds debounce, scan and endpoint up, in order", () => {
    for (const design of demoDesigns) {
      const parts = latencyOf(design).compiled;
      const [all, ...rest] = [...parts].reverse();
      expect(all.best).toBeCloseTo(
        rest.reduce((sum, { best }) => sum + best, 0),
        9,
      );
      expect(all.worst).toBeCloseTo(
        rest.reduce((sum, { worst }) => sum + worst, 0),
        9,
      );
      expect(all.best).toBeLessThan(all.mean);
      expect(all.mean).toBeLessThan(all.worst);
      expect(rest.find(({ what }) => what === "debounce")!.best).toBe(design.timing.debounce.ms);
    }
  });
});

const spec = (more: Partial<QueueSpec>): QueueSpec => ({
  modules: 4,
  perSecond: 200,
  askUs: 400,
  asking: "one line",
  keeps: 1,
  pollUs: 5000,
  ...more,
});

describe("modules on one interrupt line", () => {
  it("lose nothing at a rate that leaves time, and much at one that does not", () => {
    expect(playQueue(spec({ perSecond: 1 }), 1, 100).lostPart).toBeLessThan(0.005);
    expect(playQueue(spec({ perSecond: 400 }), 1, 20).lostPart).toBeGreaterThan(0.2);
  });

  it("with a line each lose less than with one line", () => {
    const lost = (asking: QueueSpec["asking"]) => playQueue(spec({ asking }), 5, 60).lostPart;
    expect(lost("a line each")).toBeLessThan(lost("two lines"));
    expect(lost("two lines")).toBeLessThan(lost("one line"));
  });

  it("count every event as read or lost", () => {
    for (const asking of askings) {
      const { events, lost, lostPart } = playQueue(spec({ asking }), 3, 10);
      expect(events).toBeGreaterThan(7000);
      expect(lostPart).toBeCloseTo(lost / events, 12);
      expect(lost).toBeLessThan(events);
    }
  });

  it("are the same from the same seed, and lose more the more comes", () => {
    const { lines, sure } = lossByRate({ modules: 4, askUs: 400, keeps: 1, pollUs: 5000 }, [10, 100, 400], 7, 20);
    for (const { points } of lines) expect(points[0].lostPart).toBeLessThan(points[2].lostPart);
    expect(lossByRate({ modules: 4, askUs: 400, keeps: 1, pollUs: 5000 }, [10, 100, 400], 7, 20)).toEqual({
      lines,
      sure,
    });
  });
});

describe("an interpreter's costs", () => {
  it("are a range from memory, and one number once measured: half the cycles take half the time", () => {
    const glasshouse = named("glasshouse");
    const scanOf = (interpreter?: { cyclesAStep: number; cyclesACall: number }) =>
      latencyOf({ ...glasshouse, timing: { ...glasshouse.timing, interpreter } }).interpreted!.delays.find(
        ({ what }) => what === "scan and report",
      )!;
    expect(scanOf().best).toBeLessThan(scanOf().worst);
    const [whole, half] = [
      scanOf({ cyclesAStep: 200, cyclesACall: 800 }),
      scanOf({ cyclesAStep: 100, cyclesACall: 400 }),
    ];
    expect(whole.best).toBe(whole.worst);
    // Glasshouse has no part on a bus, whose time nothing shortens.
    expect(half.best).toBeCloseTo(whole.best / 2, 9);
  });
});
