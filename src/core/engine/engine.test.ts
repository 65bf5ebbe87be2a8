import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { finishedPad, pad, withDiodes, wiredDemos } from "../../../tests/support/designs";
import { addLayer, bind, setLampRule } from "../edits/keymap";
import { movePin } from "../edits/pins";
import { shareOutDirect, unwire } from "../edits/wiring";
import type { Design } from "../document/schema";
import { ContactSchedule } from "./contactSchedule";
import type { TimedReport } from "./device";
import { HostStandIn } from "./hostText";
import { randomFrom } from "../optimisation/random";
import { type SimulationEvent, simulate } from "./simulate";

const tap = (control: string, atMs: number): SimulationEvent[] => [
  { atMs, control, action: "press" },
  { atMs: atMs + 30, control, action: "release" },
];

function textOf(design: Design, events: SimulationEvent[], bounce?: { mostMs: number; seed: number }): string {
  const run = simulate(design, { events, untilMs: 2000, bounce });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return run.value.text;
}

describe("a simulated pad", () => {
  const typed = ["k1", "k5", "k9"].flatMap((id, nth) => tap(id, 20 + nth * 60));

  it("types what its keys are bound to", () => expect(textOf(finishedPad(), typed)).toBe("aei"));
  it("types the same when wired direct", () => expect(textOf(shareOutDirect(pad()), typed)).toBe("aei"));
  it("types the same with the diodes turned round", () =>
    expect(textOf(withDiodes(finishedPad(), "row-to-column"), typed)).toBe("aei"));
  it("takes controls by label too", () => expect(textOf(finishedPad(), tap("K2", 10))).toBe("b"));
  it("is deaf to a key that is not wired", () =>
    expect(textOf(unwire(finishedPad(), ["k1:press"]), tap("k1", 10))).toBe(""));

  it("types the same whatever the contacts bounce, as long as it is shorter than the debounce time", () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 0, max: 5 }), (seed, mostMs) => {
        expect(textOf(finishedPad(), typed, { mostMs, seed })).toBe("aei");
      }),
      { numRuns: 60 },
    );
  });

  it("reports a fourth key without diodes and not with them", () => {
    const three = ["k1", "k2", "k4"].map((control): SimulationEvent => ({ atMs: 10, control, action: "press" }));
    expect([...textOf(withDiodes(finishedPad(), "none"), three)].sort().join("")).toBe("abde");
    expect([...textOf(finishedPad(), three)].sort().join("")).toBe("abd");
  });

  it("counts every step of an encoder that is turned forth and back", () => {
    const bound = (["cw", "ccw"] as const).reduce(
      (d, end, i) => bind(d, "base", `e1:${end}`, { does: "keyboard", usage: 0x04 + i, modifiers: 0 }),
      finishedPad(),
    );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 6 }), fc.nat(), (forth, back, seed) => {
        const events: SimulationEvent[] = [
          { atMs: 10, control: "e1", action: "turn", steps: forth },
          { atMs: 400, control: "e1", action: "turn", steps: -back },
        ];
        expect(textOf(bound, events, { mostMs: 4, seed })).toBe("a".repeat(forth) + "b".repeat(back));
      }),
      { numRuns: 60 },
    );
  });

  it("loses steps of a fast knob that is read once a millisecond, none of one on pins that interrupt", () => {
    const told = bind(finishedPad(), "base", "e1:cw", { does: "keyboard", usage: 0x04, modifiers: 0 });
    const read = movePin(told, "e1:turn/A", "P18");
    const turn = (turnsPerSecond: number): SimulationEvent[] => [
      { atMs: 10, control: "e1", action: "turn", steps: 12, turnsPerSecond },
    ];
    expect(textOf(read, turn(10))).toBe("a".repeat(12));
    expect(textOf(read, turn(20))).not.toBe("a".repeat(12));
    expect(textOf(told, turn(20))).toBe("a".repeat(12));
    expect(textOf(shareOutDirect(pad()), turn(20))).toBe("");
  });

  it("keeps fifteen steps between two scans", () => {
    const bound = bind(finishedPad(), "base", "e1:cw", { does: "keyboard", usage: 0x04, modifiers: 0 });
    const late = (steps: number): SimulationEvent[] => [
      { atMs: 10, action: "late", ms: 150 },
      { atMs: 10, control: "e1", action: "turn", steps, turnsPerSecond: 20 },
    ];
    expect(textOf(bound, late(15))).toBe("a".repeat(15));
    expect(textOf(bound, late(20))).toBe("a".repeat(15));
  });

  it("counts a knob's step that is turned before the first scan", () => {
    const bound = bind(finishedPad(), "base", "e1:cw", { does: "keyboard", usage: 0x04, modifiers: 0 });
    expect(textOf(bound, [{ atMs: 0, control: "e1", action: "turn", steps: 1 }])).toBe("a");
  });

  it("lights a lamp while its layer is held", () => {
    const design = setLampRule(
      bind(addLayer(finishedPad(), "up", "Up"), "base", "k1:press", { does: "hold-layer", layerId: "up" }),
      "l1",
      { when: "layer", layerId: "up" },
    );
    const lamps: string[] = [];
    simulate(
      design,
      { events: tap("k1", 10), untilMs: 100 },
      { lamp: (atMs, line, on) => lamps.push(`${atMs} ${line} ${on}`) },
    );
    expect(lamps).toEqual(["0 0 false", "15 0 true", "45 0 false"]);
  });

  it("runs every input of the demos without a key left down at the end", () => {
    for (const design of wiredDemos) {
      const keys = design.controls.filter(({ kind }) => kind === "key" || kind === "ladder-pad");
      const run = simulate(design, {
        events: keys.flatMap((key, nth) => tap(key.id, 10 + 40 * nth)),
        untilMs: 100 + 40 * keys.length,
      });
      if (!run.ok) throw new Error(JSON.stringify(run.problems));
      const last = run.value.reports.findLast((report) => report.interface === "keyboard");
      if (last) expect([...last.bytes]).toEqual([0, 0, 0, 0, 0, 0, 0, 0]);
      expect(run.value.sounding).toEqual([]);
      expect(run.value.reports.length).toBeGreaterThan(keys.length);
    }
  });
});

describe("bad events", () => {
  const problem = (event: SimulationEvent) => {
    const run = simulate(finishedPad(), { events: [event], untilMs: 10 });
    return run.ok ? null : run.problems[0];
  };

  it("name a control that is not there", () =>
    expect(problem({ atMs: 0, control: "K77", action: "press" })).toEqual({
      path: "events.0.control",
      message: 'the design has no control "K77"',
    }));
  it("do not turn a key", () =>
    expect(problem({ atMs: 0, control: "k1", action: "turn" })!.message).toBe("K1 cannot be turned"));
  it("do not press a lamp", () =>
    expect(problem({ atMs: 0, control: "l1", action: "press" })!.message).toBe("L1 has nothing to press"));
});

describe("contact schedule", () => {
  it("keeps an order that a later one follows, even when both are given at once", () => {
    const schedule = new ContactSchedule(null);
    schedule.order("k", true, 5);
    schedule.order("k", false, 35);
    expect(schedule.take(5)).toEqual([{ contact: "k", closed: true }]);
    expect(schedule.take(35)).toEqual([{ contact: "k", closed: false }]);
  });

  it("ends in the state of the newest order, whatever bounce is left of older ones", () => {
    const order = fc.record({ gap: fc.integer({ min: 0, max: 6 }), closed: fc.boolean() });
    fc.assert(
      fc.property(fc.array(order, { minLength: 1, maxLength: 12 }), fc.nat(), (orders, seed) => {
        const schedule = new ContactSchedule({ mostMs: 8, random: randomFrom(seed) });
        let state = false;
        let now = 0;
        const pass = (ms: number) => {
          for (; now < ms; now++) for (const change of schedule.take(now)) state = change.closed;
        };
        for (const { gap, closed } of orders) {
          pass(now + gap);
          schedule.order("k", closed, now);
        }
        pass(now + 20);
        expect(state).toBe(orders.at(-1)!.closed);
      }),
    );
  });
});

describe("the host's side", () => {
  const keyboard = (...bytes: number[]): TimedReport => ({
    atMs: 0,
    interface: "keyboard",
    bytes: Uint8Array.from([...bytes, 0, 0, 0, 0, 0, 0, 0, 0].slice(0, 8)),
  });
  const after = (...reports: TimedReport[]) => {
    const host = new HostStandIn();
    reports.forEach((report) => host.receive(report));
    return host;
  };

  it("types with and without Shift", () =>
    expect(after(keyboard(0, 0, 4), keyboard(2, 0, 5, 4), keyboard(0x20, 0, 0x1e)).text).toBe("aB!"));
  it("reads a report that is longer by its bits, and types the seventh key too", () => {
    const everyKey = (...usages: number[]) => {
      const bytes = new Uint8Array(36);
      bytes.fill(1, 2, 8);
      for (const usage of usages) bytes[8 + (usage >> 3)] |= 1 << (usage & 7);
      return { atMs: 0, interface: "keyboard" as const, bytes };
    };
    expect(after(everyKey(4, 5, 6, 7, 8, 9), everyKey(4, 5, 6, 7, 8, 9, 10), everyKey()).text).toBe("abcdefg");
  });
  it("types a held key once", () =>
    expect(after(keyboard(0, 0, 4), keyboard(0, 0, 4, 5), keyboard(0, 0, 4)).text).toBe("ab"));
  it("takes a sign back", () => expect(after(keyboard(0, 0, 4), keyboard(), keyboard(0, 0, 0x2a)).text).toBe(""));
  it("does not type a shortcut but tells of it", () => {
    const host = after(keyboard(1, 0, 6));
    expect(host.text).toBe("");
    expect(host.deeds.map((deed) => deed.deed)).toEqual(["Left Control + C"]);
  });
  it("keeps what it had while there are too many keys", () =>
    expect(after(keyboard(0, 0, 4), keyboard(0, 0, 1, 1, 1, 1, 1, 1), keyboard(0, 0, 4)).text).toBe("a"));
  it("locks capitals for letters only", () => {
    const host = after(
      keyboard(0, 0, 0x39),
      keyboard(),
      keyboard(0, 0, 4),
      keyboard(),
      keyboard(2, 0, 4),
      keyboard(),
      keyboard(0, 0, 0x1e),
    );
    expect(host.text).toBe("Aa1");
    expect(host.locks).toBe(2);
  });
  it("tells of consumer usages", () => {
    const volume: TimedReport = { atMs: 7, interface: "consumer", bytes: Uint8Array.from([0xe9, 0]) };
    expect(after(volume).deeds).toEqual([{ atMs: 7, deed: "Volume Increment" }]);
  });
});
