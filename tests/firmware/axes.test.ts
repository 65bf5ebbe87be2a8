import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { axisOf } from "@/core/document/axes";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import { wireAs } from "@/core/edits/wiring";
import { type SimulationEvent, simulate } from "@/core/engine/simulate";
import { reportShapeOf } from "@/core/firmware/reportShape";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { barePython, onBoard, onPythonClass, playPython, unpackPython } from "./python";
import { randomUse } from "./randomUse";
import { joined, playedOnChip, recorded } from "./recordedUses";
import { later, recordContacts } from "./usbChip";

/** A pad with every use of an axis, on two layers, and all of a game pad. */
const pad = readExample(`key A: pad button 1
key B: pad button 11
key C: hold 2
key D: hat up
key E: hat left
key F: KeyA | hold 2 | tap 60
key G: hat right
stick S
stick T
pot P
pot Q
axis S x: dead 12 both, smooth 1, still 0.4
axis S y: dead 12 both, smooth 2, still 0.4, turned
axis T x: dead 5 each, curve 2=5/4=20/6=50
axis T y: dead 20 each, keys 70 40
axis P: turned, curve 0=10/4=90
axis Q: still 2, keys 50 30
pad 11 buttons, 12 bits
use S x: pointer right 1500
use S y: pointer down 7900
use T x: pad x
use T y: pad ry
use P: pad slider
use Q: pad x
layer 1: S x high = KeyQ
layer 1: Q high = KeyW
layer 2: S x low = KeyE
layer 2: use S x = pad rx
layer 2: use S y = wheel up 400
layer 2: use T x = nothing
layer 2: use P = wheel right 3
layer 2: A = KeyZ
lamp L: value P 100
lamp M: value Q 30
at 0 press A`).design;
const lines = (text: string, kind: string) => text.split("\n").filter((line) => line.includes(` ${kind} `));

const voltages = (design: Design) =>
  [...derive(design).elements.values()].filter(({ kind }) => kind === "analog").map(({ id }) => id);

describe("axes and the game pad in every build", () => {
  const all = joined(recorded(pad, 1500));
  const few = joined(recorded(pad, 200));
  const folder = workFolder();

  it("speak through all their reports", () => {
    for (const kind of ["keyboard", "pointer", "pad", "lamp"])
      expect(lines(all.expected, kind).length).toBeGreaterThan(1000);
  });

  it.each(["gcc", "clang"] as const)("report the same when built by %s", (compiler) =>
    expect(firstDifference(play(buildNative(compiler, pad, folder), [], all.script).output, all.expected)).toBeNull(),
  );

  it("report the same on the simulated 8-bit core", () => {
    const { output } = play(buildSimulator(), [buildAvr(pad, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("report the same in Python, and on a board", async () => {
    const design = onPythonClass(wireAs(pad, "multiplexer", voltages(pad)));
    const some = joined(recorded(design, 200));
    expect(firstDifference(playPython(await barePython(design), some.script).output, some.expected)).toBeNull();
    const uses = Array.from({ length: 20 }, (_, seed) =>
      recordContacts(design, later(randomUse(design, seed + 1, []))),
    );
    const onIt = joined(uses);
    expect(firstDifference(onBoard(design, await unpackPython(design), onIt.script).output, onIt.expected)).toBeNull();
  });
});

/** The pad on the pins of the chip, its sticks and pots read in a way, and no more reports than its endpoints. */
function onChip(design: Design, way: "direct" | "multiplexer"): Design {
  const interfaces = design.reportSet.interfaces.filter((kind) => kind !== "consumer" && kind !== "live");
  const keys = design.controls.flatMap(({ id, kind }) => (kind === "key" ? [`${id}:press`] : []));
  const wired = wireAs(wireAs(design, "matrix", keys), way, voltages(design));
  return onSmallClass({ ...wired, reportSet: { ...design.reportSet, interfaces } });
}

describe.each(["direct", "multiplexer"] as const)("axes read %s on the simulated chip", (way) => {
  it("report the same as simulated, over USB", () => {
    const design = onChip(pad, way);
    const { output, expected } = playedOnChip(design, 40);
    for (const kind of ["keyboard", "pointer", "pad"]) expect(lines(expected, kind).length).toBeGreaterThan(30);
    expect(firstDifference(output, expected)).toBeNull();
  });
});

/** What an axis of the game pad tells after it was brought to a place, from -1 to 1, or to several one after another. */
function toldAt(
  setup: string,
  control: string,
  percents: number[],
  more: { noise?: { counts: number; seed: number } } = {},
) {
  const { design } = readExample(`${setup}\nat 0 set ${control} 0`);
  const events: SimulationEvent[] = percents.map((percent, nth) => ({
    atMs: 5 + 40 * nth,
    action: "set",
    control,
    percent,
  }));
  const run = simulate(design, { events, untilMs: 5 + 40 * percents.length, ...more });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  const reports = run.value.reports.filter(({ interface: name }) => name === "pad");
  const { axisBits, axes } = reportShapeOf(design);
  const value = (bytes: Uint8Array) => {
    const word = axisBits > 8 ? bytes[0] | (bytes[1] << 8) : bytes[0];
    const bits = axisBits > 8 ? 16 : 8;
    return axes[0].bothSides && word >= 2 ** (bits - 1) ? word - 2 ** bits : word;
  };
  return { reports, at: percents.map((_, nth) => lastBefore(reports, 5 + 40 * (nth + 1), value)) };
}

const lastBefore = (
  reports: { atMs: number; bytes: Uint8Array }[],
  ms: number,
  value: (bytes: Uint8Array) => number,
): number => {
  const before = reports.filter(({ atMs }) => atMs < ms).at(-1);
  return before ? value(before.bytes) : 0;
};

describe("an axis, whatever its settings", () => {
  const settings = fc.record({
    smooth: fc.integer({ min: 0, max: 4 }),
    still: fc.constantFrom(0, 0.2, 0.4, 1, 3),
    dead: fc.integer({ min: 0, max: 60 }),
    bits: fc.integer({ min: 8, max: 16 }),
    turned: fc.boolean(),
  });
  const words = ({ smooth, still, dead, bits, turned }: typeof settings extends fc.Arbitrary<infer T> ? T : never) =>
    `smooth ${smooth}, still ${still}, dead ${dead} each${turned ? ", turned" : ""}\npad 0 buttons, ${bits} bits`;

  it("reaches both its ends, and rests at 0 within noise of a few counts without a report", () => {
    const law = fc.property(settings, fc.integer({ min: 1, max: 1e6 }), (axis, seed) => {
      const setup = `stick S\naxis S x: ${words({ ...axis, still: Math.max(axis.still, 0.4) as typeof axis.still })}\nuse S x: pad x`;
      const most = 2 ** (axis.bits - 1) - 1;
      const sign = axis.turned ? -1 : 1;
      // Smoothed by a sixteenth, the last steps to an end take their time.
      const { at } = toldAt(setup, "S", [100, 100, 100, 100, -100, -100, -100, -100]);
      expect([at[3], at[7]]).toEqual([sign * most, -sign * most]);
      expect(toldAt(setup, "S", [0, 0, 0, 0], { noise: { counts: 2, seed } }).reports).toEqual([]);
    });
    fc.assert(law, { numRuns: 120 });
  });

  it("never goes back while the hand goes on", () => {
    const law = fc.property(
      settings,
      fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 5, maxLength: 12 }),
      (axis, places) => {
        const up = [...places].sort((a, b) => a - b).map((place) => place / 10);
        const setup = `pot P\naxis P: ${words({ ...axis, turned: false })}\nuse P: pad slider`;
        const { at } = toldAt(setup, "P", up);
        expect(at).toEqual([...at].sort((a, b) => a - b));
      },
    );
    fc.assert(law, { numRuns: 120 });
  });

  it("has no gap in eight bits: every value of a slow pot is told", () => {
    const setup = "pot P\naxis P: plain\npad 0 buttons, 8 bits\nuse P: pad slider";
    const { at } = toldAt(
      setup,
      "P",
      Array.from({ length: 1024 }, (_, count) => (100 * count) / 1023),
    );
    expect(new Set(at).size).toBe(256);
    const counts = at.reduce((all, value) => all.set(value, (all.get(value) ?? 0) + 1), new Map<number, number>());
    for (const [value, times] of counts) expect(times, `${value}`).toBeGreaterThanOrEqual(3);
  });

  it("rests where both readings are those of the middle itself", () => {
    // 32768 of the 65472 that ten bits read at the most.
    const centre = (100 * 32768) / 65472;
    const setup = `stick S
axis S x: dead 10 both, centre ${centre}
axis S y: dead 10 both, centre ${centre}
pad 0 buttons, 8 bits
use S x: pad x
use S y: pad y`;
    expect(toldAt(setup, "S", [0, 100, 0]).at).toEqual([0, 127, 0]);
  });

  it("keeps its direction when one dead zone lies around both", () => {
    const law = fc.property(
      fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
      fc.double({ min: 0.3, max: 0.95, noNaN: true }),
      (angle, way) => {
        const { design } = readExample(`stick S
axis S x: dead 20 both
axis S y: dead 20 both
pad 0 buttons, 16 bits
use S x: pad x
use S y: pad y
at 0 set S x 0`);
        const percent = (part: number) => Math.round(1000 * part * way) / 10;
        const events: SimulationEvent[] = [
          { atMs: 5, action: "set", control: "S", end: "x", percent: percent(Math.cos(angle)) },
          { atMs: 5, action: "set", control: "S", end: "y", percent: percent(Math.sin(angle)) },
        ];
        const run = simulate(design, { events, untilMs: 40 });
        const last = run.ok ? run.value.reports.at(-1)! : null;
        const view = new DataView(last!.bytes.buffer);
        const [x, y] = [view.getInt16(0, true), view.getInt16(2, true)];
        // As on paper: what is left of the way, stretched, in the same direction.
        const left = (way - 0.2) / 0.8;
        expect(Math.hypot(x, y) / 32767).toBeCloseTo(left, 1.5);
        expect(Math.abs(Math.sin(Math.atan2(y, x) - angle))).toBeLessThan(0.03);
      },
    );
    fc.assert(law, { numRuns: 150 });
  });
});

describe("usual settings", () => {
  it("take rest and dead zone from measured rests of a stick, the middle and a common zone without", () => {
    const { design } = readExample("stick S\nat 0 press S");
    const [stick] = design.controls;
    const plain = axisOf(undefined, stick, { id: "S:x", end: "x" });
    expect([plain.centre, plain.dead]).toEqual([50, 8]);
    const rests = [
      { x: 0.46, y: 0.5 },
      { x: 0.5, y: 0.5 },
    ];
    const measured = axisOf(undefined, { ...stick, rests } as typeof stick, { id: "S:x", end: "x" });
    // 2 % of the track from the middle of both are 4.4 % of the way of 45 %; and 2 % more.
    expect([measured.centre, measured.dead]).toEqual([48, 6.4]);
  });
});
