import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wireAs } from "@/core/edits/wiring";
import { type SimulationEvent, simulate } from "@/core/engine/simulate";
import { movementOf } from "@/core/hid/pointerWords";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { barePython, onPythonClass, playPython } from "./python";
import { joined, playedOnChip, recorded } from "./recordedUses";

/** A pad with all that moves the pointer, with knobs and levers that are told in their own ways. */
const pad = readExample(`key A: move right at 1000 after 0
key B: move left at 7999 after 128
key C: move up at 350 after 2048
key D: move down at 40 after 1024
key E: wheel down every 7
key F: wheel left
key G: button 1
key H: button 5
key I: awake 1
key J: KeyA | hold 2 | tap 60
key K: system sleep
key M: next 2
key N: play R
macro R while held: tap KeyC; again 1 3 times; tap KeyD; again 3 2 times; wait 5; again 1 while held
layer 2: A = KeyQ
layer 2: T back = awake 1
encoder P: clockwise wheel up, anticlockwise wheel right
encoder Q: clockwise KeyX, anticlockwise KeyY
knob P: felt 2, told 3, fast 200, up to 4
knob Q: fast 60, up to 5, top 6
layer 2: Q clockwise = button 2
toggle T: KeyT
back T: KeyU
toggle U: hold 2
back U: wheel up
lamp V: awake
lamp W: value Q 1
lamp X: value Q 5
look V: on 50 off 30
look W: on 20 off 10 times 3
look X: eighths 3
lamp Z: held G
look Z: on 40 off 20 times 2 eighths 5
at 0 press A`).design;

describe("pointer, knobs and levers in every build", () => {
  const all = joined(recorded(pad, 1500));
  const few = joined(recorded(pad, 250));
  const folder = workFolder();

  it("speak through all their reports", () => {
    for (const kind of ["keyboard", "pointer", "system", "lamp"]) expect(all.expected).toMatch(new RegExp(` ${kind} `));
  });

  it.each(["gcc", "clang"] as const)("report the same when built by %s", (compiler) =>
    expect(firstDifference(play(buildNative(compiler, pad, folder), [], all.script).output, all.expected)).toBeNull(),
  );

  it("report the same on the simulated 8-bit core", () => {
    const { output } = play(buildSimulator(), [buildAvr(pad, folder).binary], few.script);
    expect(firstDifference(output, few.expected)).toBeNull();
  });

  it("report the same in Python", async () => {
    const design = onPythonClass(pad);
    const some = joined(recorded(design, 250));
    expect(firstDifference(playPython(await barePython(design), some.script).output, some.expected)).toBeNull();
  });

  it("report the same over USB on the simulated chip", () => {
    // It knows four endpoints beside the first, so live changes are left out.
    const interfaces = pad.reportSet.interfaces.filter((kind) => kind !== "live" && kind !== "consumer");
    const keys = pad.controls.flatMap(({ id, kind }) => (kind === "key" || kind === "toggle" ? [`${id}:press`] : []));
    const wired = wireAs(pad, "matrix", keys);
    const cells = Object.fromEntries(keys.map((id, nth) => [id, { row: Math.floor(nth / 4), column: nth % 4 }]));
    const circuits = wired.circuits.map((circuit) => (circuit.kind === "matrix" ? { ...circuit, cells } : circuit));
    const design = onSmallClass({ ...wired, circuits, reportSet: { ...pad.reportSet, interfaces } });
    const { output, expected } = playedOnChip(design, 120);
    expect(expected).toMatch(/ pointer /);
    expect(expected).toMatch(/ system /);
    expect(firstDifference(output, expected)).toBeNull();
  });
});

/** How far one key moves the pointer that is held for some time. */
function wayOf(direction: string, speed: number, rampMs: number, heldMs: number): number[] {
  const { design } = readExample(`debounce 0
key A: move ${direction} at ${speed} after ${rampMs}
at 0 press A`);
  const events: SimulationEvent[] = [
    { atMs: 5, control: "A", action: "press" },
    { atMs: 5 + heldMs, control: "A", action: "release" },
  ];
  const run = simulate(design, { events, untilMs: heldMs + 100 });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return run.value.reports.reduce((sum, { bytes }) => sum.map((n, axis) => n + movementOf(bytes)[axis]), [0, 0, 0, 0]);
}

/** Counts by the mechanics of even acceleration, beside the one of the press: v t / 2 up to the top speed, then v t. */
function mechanics(speed: number, rampMs: number, heldMs: number): number {
  const ms = heldMs - 1;
  const onRamp = Math.min(ms, rampMs);
  const gained = rampMs === 0 ? 0 : (speed * onRamp * onRamp) / (2 * rampMs);
  return (gained + speed * Math.max(0, ms - rampMs)) / 1000;
}

describe("the pointer under a held key", () => {
  it("gets no faster than its top speed when a scan is late", () => {
    const { design } = readExample("debounce 0\nkey A: move right at 1000 after 128\nat 0 press A");
    const events: SimulationEvent[] = [
      { atMs: 5, control: "A", action: "press" },
      { atMs: 127, action: "late", ms: 20 },
      { atMs: 148, control: "A", action: "release" },
    ];
    const run = simulate(design, { events, untilMs: 200 });
    const counts = run.ok ? run.value.reports.map(({ bytes }) => movementOf(bytes)[0]) : [];
    // One at the press; 121 ms of even acceleration, 57.7; then 21 ms at the top, 21.
    expect(counts.reduce((sum, each) => sum + each, 0)).toBe(1 + 78);
    expect(counts.at(-1)).toBe(21);
  });

  const held = fc.record({
    direction: fc.constantFrom("right", "left", "down", "up"),
    speed: fc.integer({ min: 10, max: 7999 }),
    rampMs: fc.constantFrom(0, 128, 256, 512, 1024, 2048),
    heldMs: fc.integer({ min: 1, max: 3000 }),
  });

  it("goes as mechanics say, in its direction and no other", () => {
    const law = fc.property(held, ({ direction, speed, rampMs, heldMs }) => {
      const way = wayOf(direction, speed, rampMs, heldMs);
      const [axis, sign] = { right: [0, 1], left: [0, -1], down: [1, 1], up: [1, -1] }[direction]!;
      const expected = 1 + mechanics(speed, rampMs, heldMs);
      // Speed is taken at the end of each millisecond and in parts of 2^-13; what is less than a count waits.
      const rounded = heldMs / 16_000 + 0.01;
      const step = (speed * Math.min(heldMs, rampMs || 0)) / (rampMs || 1) / 2000;
      expect(way[axis] * sign).toBeGreaterThan(expected - 1 - rounded);
      expect(way[axis] * sign).toBeLessThanOrEqual(expected + step + rounded);
      expect(way.filter((_, nth) => nth !== axis)).toEqual([0, 0, 0]);
    });
    fc.assert(law, { numRuns: 150 });
  });
});
