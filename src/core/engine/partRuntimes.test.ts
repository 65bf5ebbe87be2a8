import fc from "fast-check";
import { beforeAll, describe, expect, it } from "vitest";
import { keysOf, loom, onTwo } from "../../../tests/support/twoParts";
import { derive } from "../derived/derive";
import { removePartLink } from "../edits/controllers";
import type { TimedReport } from "./device";
import type { PairedDevice as Device } from "./pairedDevice";
import { bringInlineRuntime } from "./inlineRuntime";
import { deviceOf } from "./preparedDevice";

beforeAll(bringInlineRuntime);

const split = onTwo(loom);
const [near, far] = keysOf(split);
const keyboard = (reports: TimedReport[]) => reports.filter((report) => report.interface === "keyboard");

interface Played {
  device: Device;
  reports: TimedReport[];
}
function powered(design = split): Played {
  const reports: TimedReport[] = [];
  const device = deviceOf(design, { report: (report) => reports.push(report) });
  device.runUntil(40);
  return { device, reports };
}
const down = ({ bytes }: TimedReport) => bytes.slice(2).filter((usage) => usage !== 0).length + (bytes[0] ? 1 : 0);
const isUp = (reports: TimedReport[]) => {
  const last = keyboard(reports).at(-1);
  return last === undefined || down(last) === 0;
};

describe("two parts on a line", () => {
  it("hear each other, and tell a key of either part, the far one's within two milliseconds more", () => {
    const { device, reports } = powered();
    expect(device.isLineHeard).toBe(true);
    for (const id of [near[0], far[0]]) device.press(id, true, 50);
    for (const id of [near[0], far[0]]) device.press(id, false, 90);
    device.runUntil(140);
    const at = (count: number) => keyboard(reports).find((report) => down(report) === count)!.atMs;
    expect(at(2) - at(1)).toBeGreaterThan(0);
    expect(at(2) - at(1)).toBeLessThanOrEqual(2);
    expect(isUp(reports)).toBe(true);
  });

  it("type what the device of one controller types, each key at most two milliseconds later", () => {
    fc.assert(
      fc.property(fc.array(fc.nat(near.length + far.length - 1), { minLength: 1, maxLength: 20 }), (keys) => {
        const ids = keys.map((nth) => [...near, ...far][nth]);
        const [one, two] = [loom, split].map((design) => {
          const played = powered(design);
          ids.forEach((id, nth) => {
            played.device.press(id, true, 60 + 60 * nth);
            played.device.press(id, false, 95 + 60 * nth);
          });
          played.device.runUntil(200 + 60 * ids.length);
          return keyboard(played.reports);
        });
        expect(two.length).toBe(2 * ids.length);
        expect(two.map(({ bytes }) => [...bytes])).toEqual(one.map(({ bytes }) => [...bytes]));
        two.forEach(({ atMs }, nth) => {
          expect(atMs - one[nth].atMs).toBeGreaterThanOrEqual(0);
          expect(atMs - one[nth].atMs).toBeLessThanOrEqual(2);
        });
      }),
      { numRuns: 25 },
    );
  });

  it("let go of the far keys within 20 ms when the line is cut, and tell them anew when it is joined", () => {
    const { device, reports } = powered();
    for (const id of far.slice(0, 5)) device.press(id, true, 50);
    device.press(near[0], true, 50);
    device.runUntil(100);
    const held = down(keyboard(reports).at(-1)!);
    expect(held).toBeGreaterThan(1);
    device.setLine({ isCut: true, oneDamagedOf: 0 });
    device.runUntil(120);
    expect(device.isLineHeard).toBe(false);
    expect(down(keyboard(reports).at(-1)!)).toBe(1);
    device.setLine({ isCut: false, oneDamagedOf: 0 });
    device.runUntil(140);
    expect(device.isLineHeard).toBe(true);
    expect(down(keyboard(reports).at(-1)!)).toBe(held);
  });

  it("change nothing when bytes are damaged: every key that is told is one that is pressed", () => {
    const { device, reports } = powered();
    device.setLine({ isCut: false, oneDamagedOf: 8 });
    device.runUntil(2000);
    expect(keyboard(reports)).toEqual([]);
    device.press(far[3], true);
    device.runUntil(2400);
    const usages = new Set(keyboard(reports).flatMap(({ bytes }) => [...bytes]));
    expect(usages.size).toBeLessThanOrEqual(2);
  });

  it("count the frames that did not arrive: none on a good line, and about those that a damaged one lost", () => {
    const { device } = powered();
    device.runUntil(400);
    expect(device.missedFrames).toBe(0);
    device.setLine({ isCut: false, oneDamagedOf: 10 });
    device.runUntil(800);
    device.setLine({ isCut: false, oneDamagedOf: 0 });
    device.runUntil(820);
    // Both tell every 4 ms at least, a frame of about ten bytes: of some 200 more than half are lost; what was not heard for 12 ms is not counted.
    expect(device.missedFrames).toBeGreaterThan(20);
    expect(device.missedFrames).toBeLessThan(200);
  });

  it("leave no key down, whatever is cut, joined, damaged and plugged meanwhile", () => {
    const step = fc.record({
      ms: fc.integer({ min: 1, max: 40 }),
      key: fc.nat(near.length + far.length - 1),
      what: fc.constantFrom(
        "press",
        "press",
        "press",
        "release",
        "release",
        "cut",
        "join",
        "damage",
        "left",
        "right",
        "out",
      ),
    });
    fc.assert(
      fc.property(fc.array(step, { minLength: 5, maxLength: 60 }), (steps) => {
        const { device, reports } = powered();
        const all = [...near, ...far];
        let plugged: number | null = 0;
        // A computer whose plug is pulled takes everything for released.
        const plug = (part: number | null) => {
          if (part !== plugged) reports.length = 0;
          plugged = part;
          device.plugInto(part);
        };
        for (const { ms, key, what } of steps) {
          if (what === "press" || what === "release") device.press(all[key], what === "press");
          if (what === "cut") device.setLine({ isCut: true, oneDamagedOf: 0 });
          if (what === "join") device.setLine({ isCut: false, oneDamagedOf: 0 });
          if (what === "damage") device.setLine({ isCut: false, oneDamagedOf: 12 });
          if (what === "left") plug(0);
          if (what === "right") plug(1);
          if (what === "out") plug(null);
          device.runUntil(device.nowMs + ms);
        }
        device.setLine({ isCut: false, oneDamagedOf: 0 });
        plug(0);
        device.runUntil(device.nowMs + 60);
        for (const id of all) device.press(id, false);
        device.runUntil(device.nowMs + 600);
        expect(isUp(reports)).toBe(true);
        expect(all.some((id) => device.debounced(id))).toBe(false);
      }),
      { numRuns: 150 },
    );
  });

  it("say nothing to each other where no line joins them", () => {
    const { device, reports } = powered(removePartLink(split, "link"));
    expect(device.isLineHeard).toBe(false);
    device.press(far[0], true);
    device.press(near[0], true);
    device.runUntil(100);
    expect(keyboard(reports).map(down)).toEqual([1]);
  });

  it("speak with the computer over the plug of either part", () => {
    const { device, reports } = powered();
    device.plugInto(1);
    device.runUntil(100);
    device.press(near[1], true);
    device.runUntil(160);
    device.press(near[1], false);
    device.runUntil(220);
    // How all is, when this part begins to speak with a computer; then the key.
    expect(keyboard(reports).map(down)).toEqual([0, 1, 0]);
  });

  it("hold a layer of one part for the keys of the other", () => {
    const { inputs } = derive(split);
    const [base, ...layers] = split.keymap.layers;
    const holds = inputs.find(({ id }) => base.bindings[id]?.does === "hold-layer")!;
    const { layerId } = base.bindings[holds.id] as { layerId: string };
    const layerKey = holds.elementId;
    const index = 1 + layers.findIndex(({ id }) => id === layerId);
    const other = holds.controlId.startsWith("l") ? far : near;
    const { device } = powered();
    device.press(layerKey, true);
    device.runUntil(400);
    expect(device.layerActive(index)).toBe(true);
    device.press(other[0], true);
    device.press(layerKey, false, 500);
    device.runUntil(700);
    expect(device.layerActive(index)).toBe(false);
  });
});
