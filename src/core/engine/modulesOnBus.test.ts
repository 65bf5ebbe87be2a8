import fc from "fast-check";
import { beforeAll, describe, expect, it } from "vitest";
import { modularDesigns, variantDesigns } from "../../../demo";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { LINK_FLAG } from "../contract/link";
import { addBoard } from "../edits/boards";
import { changeCalls, ownControllerFor, removePartLink } from "../edits/controllers";
import { addControl } from "../edits/controls";
import { wireNew } from "../edits/wiring";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { randomFrom } from "../optimisation/random";
import { playEvents } from "../timing/interruptQueue";
import type { DeviceWatch, TimedReport } from "./device";
import { bringInlineRuntime } from "./inlineRuntime";
import type { PairedDevice as Device } from "./pairedDevice";
import { deviceOf } from "./preparedDevice";
import { startRuntime } from "./runtime";
import { simulate } from "./simulate";

beforeAll(bringInlineRuntime);

const [dunlin] = modularDesigns;
const switchOf = (controlId: string) =>
  [...derive(dunlin).elements.values()].find((e) => e.controlId === controlId && e.kind === "switch")!.id;
const [BASE, JOG, MARKS] = [
  ["in", "out", "cut"],
  ["back", "stop", "on"],
  ["red", "green", "blue", "sound", "title", "note"],
].map((ids) => ids.map(switchOf));

const pressOf = (controlId: string) => `${controlId}:press`;

interface Played {
  device: Device;
  reports: TimedReport[];
}
function powered(design: Design = dunlin, watch: DeviceWatch = {}): Played {
  const reports: TimedReport[] = [];
  const device = deviceOf(design, { ...watch, report: (report) => reports.push(report) });
  device.runUntil(40);
  return { device, reports };
}
const usages = ({ bytes }: TimedReport) => [...bytes.slice(2)].filter((usage) => usage !== 0);
const last = ({ reports }: Played) => reports.findLast((report) => report.interface === "keyboard");
const heldNow = (played: Played) => {
  const report = last(played);
  return report ? usages(report) : [];
};

describe("modules on a bus", () => {
  it("are heard, and a key of either is told after one of the base, by the asks that come before it at most", () => {
    for (const calls of ["shared", "own"] as const) {
      const { device, reports } = powered(changeCalls(dunlin, calls));
      expect([1, 2].map(device.hears)).toEqual([true, true]);
      for (const [key] of [BASE, JOG, MARKS]) device.press(key, true, 50);
      device.runUntil(90);
      const at = [12, 13, 30].map((usage) => reports.find((report) => usages(report).includes(usage))!.atMs);
      expect(at[0]).toBe(55);
      // Seen a millisecond later, asked, and told in the next one; the second to be asked waits one more.
      expect([...at.slice(1)].sort()).toEqual([57, 58]);
    }
  });

  it("share layers, lamps and knobs as if they were one", () => {
    const lit: [number, boolean][] = [];
    const played = powered(dunlin, { lamp: (_, line, on) => lit.push([line, on]) });
    const { device } = played;
    device.press(switchOf("second"), true, 60);
    device.press(MARKS[0], true, 80);
    device.runUntil(100);
    expect(heldNow(played)).toEqual([33]);
    device.press(MARKS[0], false, 100);
    device.press(switchOf("second"), false, 110);
    device.runUntil(150);
    const wheel = [...derive(dunlin).elements.values()].find(
      (e) => e.controlId === "wheel" && e.kind === "quadrature",
    )!;
    device.turn(wheel.id, 3);
    device.runUntil(400);
    const turned = played.reports.flatMap(usages).filter((usage) => usage === 79);
    expect(turned).toHaveLength(3);
    // The lamp of the marks shows what the computer tells the base.
    lit.length = 0;
    device.hostLocks(2);
    device.runUntil(420);
    expect(lit).toContainEqual([device.scan.lamps.findIndex(({ controlId }) => controlId === "sound-lamp"), true]);
  });

  it("let go of what a module held within 20 ms of being pulled off, and tell it anew when it is put on again", () => {
    const played = powered();
    const { device } = played;
    for (const key of [BASE[0], JOG[0], MARKS[0]]) device.press(key, true, 50);
    device.runUntil(100);
    expect(heldNow(played).sort()).toEqual([12, 13, 30]);
    device.setAway(2, true);
    device.runUntil(120);
    expect(heldNow(played).sort()).toEqual([12, 13]);
    expect([1, 2].map(device.hears)).toEqual([true, false]);
    expect(device.isLineHeard).toBe(false);
    device.setAway(2, false);
    device.runUntil(140);
    expect([1, 2].map(device.hears)).toEqual([true, true]);
    expect(heldNow(played).sort()).toEqual([12, 13, 30]);
  });

  it("miss no answer while all is well, and only the first ones of a module that was pulled off", () => {
    const { device } = powered();
    device.press(JOG[0], true, 50);
    device.runUntil(400);
    expect(device.missedFrames).toBe(0);
    expect(device.isLineHeard).toBe(true);
    device.setAway(1, true);
    device.runUntil(420);
    const { missedFrames } = device;
    // It is asked every 4 ms, and given up after 12.
    expect(missedFrames).toBeGreaterThanOrEqual(2);
    expect(missedFrames).toBeLessThanOrEqual(4);
    device.runUntil(1400);
    expect(device.missedFrames).toBe(missedFrames);
  });

  it("are asked in turn when nothing happens, four as well as two: none waits longer than the others", () => {
    const four = ["third", "fourth"].reduce((design, id, nth) => {
      const place = { xMm: 300 + 30 * nth, yMm: 0, rotationDeg: 0, boardId: id };
      const placed = addControl(addBoard(design, id, id, "half"), "key", `key-${id}`, place);
      return ownControllerFor(wireNew(placed, "direct", [`key-${id}`].map(pressOf)), id, "small-5v-18", "shared");
    }, dunlin);
    const asked: number[][] = [[], [], [], []];
    const { device } = powered(four, { parts: { asks: (atMs, _, module) => asked[module - 1].push(atMs) } });
    device.runUntil(440);
    expect([1, 2, 3, 4].map(device.hears)).toEqual([true, true, true, true]);
    for (const times of asked) {
      const later = times.filter((atMs) => atMs > 40);
      expect(later.length).toBeGreaterThanOrEqual(95);
      for (const [nth, atMs] of later.slice(1).entries()) expect(atMs - later[nth]).toBeLessThanOrEqual(5);
    }
  });

  it("tell nothing while they are off", () => {
    const told: number[] = [];
    const { device } = powered(dunlin, { parts: { link: (_, part) => told.push(part) } });
    device.setAway(2, true);
    told.length = 0;
    device.press(MARKS[0], true, 60);
    device.runUntil(200);
    expect(new Set(told)).toEqual(new Set([0, 1]));
  });

  it("take a lamp's light with them", () => {
    const lit = new Map<number, boolean>();
    const { device } = powered(dunlin, { lamp: (_, line, on) => lit.set(line, on) });
    const line = device.scan.lamps.findIndex(({ controlId }) => controlId === "sound-lamp");
    device.hostLocks(2);
    device.runUntil(60);
    expect(lit.get(line)).toBe(true);
    device.setAway(2, true);
    expect(lit.get(line)).toBe(false);
    device.setAway(2, false);
    device.runUntil(90);
    expect(lit.get(line)).toBe(true);
  });

  it("do without one that no link joins, and without all while the bus is cut", () => {
    const played = powered(removePartLink(dunlin, "link-2"));
    played.device.press(MARKS[0], true, 50);
    played.device.press(JOG[0], true, 50);
    played.device.runUntil(90);
    expect(heldNow(played)).toEqual([13]);
    played.device.setLine({ isCut: true, oneDamagedOf: 0 });
    played.device.runUntil(110);
    expect(heldNow(played)).toEqual([]);
  });

  it("are told of nothing without a computer, and of all once there is one", () => {
    const played = powered();
    const { device } = played;
    device.plugInto(null);
    device.press(MARKS[1], true, 60);
    device.runUntil(100);
    expect(heldNow(played)).toEqual([]);
    device.plugInto(0);
    device.runUntil(130);
    expect(heldNow(played)).toEqual([31]);
  });

  it("leave no key down, whatever is pulled, put on, cut and damaged meanwhile", () => {
    const keys = [...BASE, ...JOG, ...MARKS];
    const deed = fc.oneof(
      fc.record({ does: fc.constant("press" as const), key: fc.nat(keys.length - 1), on: fc.boolean() }),
      fc.record({ does: fc.constant("away" as const), part: fc.integer({ min: 1, max: 2 }), on: fc.boolean() }),
      fc.record({ does: fc.constant("line" as const), isCut: fc.boolean(), oneDamagedOf: fc.constantFrom(0, 5, 40) }),
      fc.record({ does: fc.constant("plug" as const), on: fc.boolean() }),
    );
    const step = fc.record({ ms: fc.nat(40), deed });
    fc.assert(
      fc.property(fc.boolean(), fc.array(step, { maxLength: 40 }), (isShared, steps) => {
        const played = powered(changeCalls(dunlin, isShared ? "shared" : "own"));
        const { device } = played;
        for (const { ms, deed: one } of steps) {
          device.runUntil(device.nowMs + ms);
          if (one.does === "press") device.press(keys[one.key], one.on, device.nowMs);
          else if (one.does === "away") device.setAway(one.part, one.on);
          else if (one.does === "line") device.setLine(one);
          else device.plugInto(one.on ? 0 : null);
        }
        device.plugInto(0);
        device.setLine({ isCut: false, oneDamagedOf: 0 });
        for (const part of [1, 2]) device.setAway(part, false);
        for (const key of keys) device.press(key, false, device.nowMs);
        device.runUntil(device.nowMs + 120);
        expect(heldNow(played)).toEqual([]);
        expect([1, 2].map(device.hears)).toEqual([true, true]);
      }),
      { numRuns: 120 },
    );
  });
});

describe("what modules tell together with what they told before", () => {
  /** Keys of both modules pressed and let go by chance, with the times at which modules called. */
  function played(calls: "shared" | "own", perSecond: number, seed: number) {
    const events: { atUs: number; module: number }[] = [];
    const { device } = powered(changeCalls(dunlin, calls), {
      // Behind its scan, so that the base sees it in the next one.
      parts: { calls: (atMs, part) => events.push({ atUs: 1000 * atMs + 1, module: part - 1 }) },
    });
    const random = randomFrom(seed);
    const isDown = new Map<string, boolean>();
    const before = { ...device.told };
    for (const keys of [JOG, MARKS])
      for (let at = 60, nth = 0; at < 20_000; at += -Math.log(1 - random()) * (1000 / perSecond), nth++) {
        const key = keys[nth % keys.length];
        isDown.set(key, !isDown.get(key));
        device.press(key, isDown.get(key)!, Math.round(at));
      }
    events.length = 0;
    device.runUntil(20_100);
    const { called, together } = device.told;
    return { events, called: called - before.called, together: together - before.together };
  }

  it.each([
    ["shared", 40],
    ["shared", 150],
    ["own", 150],
  ] as const)("is what the queue of interrupt lines says it loses: %s line, %d a second", (calls, perSecond) => {
    for (const seed of [1, 2, 3]) {
      const { events, called, together } = played(calls, perSecond, seed);
      expect(events.length).toBe(called + together);
      const asking = calls === "shared" ? "one line" : "a line each";
      const spec = { modules: 2, askUs: 0, asking, keeps: 1, pollUs: 0, looksUs: 1000, untilLetGo: true } as const;
      const queue = playEvents(spec, events);
      expect(queue.lost).toBe(together);
      expect(queue.events - queue.lost).toBe(called);
      if (perSecond > 100) expect(together).toBeGreaterThan(20);
    }
  });
});

describe("a part on the bus by itself", () => {
  const scan = scanTableOf(dunlin);
  const tables = tableBytes(scan, dunlin);
  function started(part: number) {
    const sent: Uint8Array[] = [];
    let asks = 0;
    const runtime = startRuntime(
      tables,
      {
        report: () => true,
        lamp: () => {},
        lights: () => {},
        link: (bytes) => sent.push(bytes),
        asks: () => (asks += 1),
      },
      undefined,
      part,
    );
    return { runtime, sent, asks: () => asks };
  }
  /** The first byte of a frame is no zero: a module has its number in it. */
  const flags = (sent: Uint8Array[]) => sent.at(-1)![1];

  it("never speaks with a computer as a module, also when one has set it up", () => {
    const { runtime, sent } = started(1);
    runtime.configured(true);
    for (let ms = 0; ms < 20; ms++) runtime.scan(1);
    expect(flags(sent) & LINK_FLAG.HOST).toBe(0);
    expect(flags(sent) & LINK_FLAG.PART).toBe(LINK_FLAG.ONE_PART);
    const base = started(0);
    base.runtime.configured(true);
    for (let ms = 0; ms < 20; ms++) base.runtime.scan(1);
    expect(flags(base.sent) & LINK_FLAG.HOST).toBe(LINK_FLAG.HOST);
  });

  it("asks anew after an answer that broke off, and understands the next one whole", () => {
    const module = started(2);
    module.runtime.scan(1);
    const whole = module.sent.at(-1)!;
    const base = started(0);
    const untilAsked = () => {
      for (const before = base.asks(); base.asks() === before;) base.runtime.scan(1);
    };
    untilAsked();
    base.runtime.linked(whole.slice(0, 2));
    untilAsked();
    base.runtime.linked(whole);
    base.runtime.scan(1);
    expect([1, 2].map((part) => base.runtime.hears(part))).toEqual([false, true]);
    expect(base.runtime.isHeard()).toBe(false);
  });
});

describe("what happens to modules, as a request", () => {
  const asked = (design: Design, ...events: object[]) => simulate(design, { events: events as never, untilMs: 200 });

  it("pulls one off and puts it on, by its number among the parts", () => {
    const run = asked(
      dunlin,
      { atMs: 20, action: "press", control: "red" },
      { atMs: 60, action: "pull-off", part: 3 },
      { atMs: 120, action: "put-on", part: 3 },
    );
    expect(run.ok && run.value.reports.map(({ bytes }) => bytes[2])).toEqual([30, 0, 30]);
  });

  it.each<[string, Design, object, string]>([
    ["the base", dunlin, { action: "pull-off", part: 1 }, "name a module: its parts 2 to 3 are some"],
    ["one that is not there", dunlin, { action: "put-on", part: 4 }, "name a module: its parts 2 to 3 are some"],
    ["a plug of a module", dunlin, { action: "plug-in", part: 2 }, "modules on a bus have no plug: only part 1"],
    [
      "parts on a line",
      variantDesigns[0],
      { action: "pull-off", part: 2 },
      "the device has no modules on a bus that can be pulled off",
    ],
    ["a plug of a third part", variantDesigns[0], { action: "plug-in", part: 3 }, "the device has 2 parts"],
  ])("is refused in words for %s", (_, design, event, message) => {
    const run = asked(design, { atMs: 5, ...event });
    expect(run.ok ? [] : run.problems.map((problem) => problem.message)).toEqual([message]);
  });

  it("is refused when no module is named", () => {
    const run = asked(dunlin, { atMs: 5, action: "pull-off" });
    expect(run.ok).toBe(false);
  });
});
