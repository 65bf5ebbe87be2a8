import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { wireAs } from "@/core/edits/wiring";
import { type SimulationEvent, type SimulationResult, simulate } from "@/core/engine/simulate";
import { readExample } from "./examples";
import { sameInEveryBuild } from "./inEveryBuild";
import { manyNotes, noteUses } from "./manyNotes";
import { onBoard, onPythonClass, unpackPython } from "./python";

/** Keys, a knob, sticks and pots that play, on two layers and three channels. */
const box = readExample(`key A: note 60 96
key B: note 60 40
key C: hold 2
key D: note 64 1 16
key E: controller 64 127
key F: program 12 2
key G: note 67 127 | controller 1 99 | tap 60
toggle T: note 127 5
stick S
pot P
pot Q
encoder N: clockwise KeyX, anticlockwise note 30 30
knob N: top 40, controls 7
axis S x: dead 5 each
axis P: smooth 1, still 0.4
axis Q: turned
use S x: music bend
use S y: music controller 11 3
use P: music fine 1 2
use Q: music controller 74
layer 2: A = note 72 64
layer 2: use P = music fine 31
layer 2: use Q = nothing
layer 2: B = KeyZ
lamp L: value P 100
at 0 press A`).design;

describe("music in every build", () => {
  sameInEveryBuild({
    design: box,
    told: "music",
    least: 5000,
    leastOverUsb: 300,
    uses: 1000,
    usesOnCore: 150,
    usesOnChip: 80,
    interfaces: ["music", "keyboard"],
  });

  it("has a port of its own on a board that runs Python", async () => {
    const design = onPythonClass(wireAs(box, "multiplexer", ["S:x", "S:y", "P:wiper", "Q:wiper"]));
    expect(onBoard(design, await unpackPython(design), "5 end\n", "facts").output).toMatch(/^music$/m);
  });
});

const many = manyNotes();

function played(design: Design, events: SimulationEvent[], untilMs: number): SimulationResult {
  const run = simulate(design, { events, untilMs });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return run.value;
}

/** Whether every note that ends was on, and none is struck that is on; how many sounded at most. */
function strict({ reports }: SimulationResult): number {
  const on = new Set<string>();
  let most = 0;
  for (const { bytes, interface: kind } of reports) {
    if (kind !== "music") continue;
    for (let at = 0; at < bytes.length; at += 4) {
      const [packet, status, first, second] = bytes.subarray(at, at + 4);
      expect(packet).toBe(status >> 4);
      const channel = status & 15;
      const key = `${channel} ${first}`;
      if (packet === 9) {
        expect(on.has(key), `struck while on: ${key}`).toBe(false);
        expect(second).toBeGreaterThan(0);
        on.add(key);
      } else if (packet === 8) {
        expect(on.has(key), `ended while off: ${key}`).toBe(true);
        on.delete(key);
      } else if (packet === 11 && first === 123) {
        for (const one of [...on]) if (one.startsWith(`${channel} `)) on.delete(one);
      }
      most = Math.max(most, on.size);
    }
  }
  return most;
}

describe("notes, whatever is played", () => {
  const deeds = noteUses(160);

  /** Keys 40 to 45 are moods of the computer; at the end all are let go and it asks again. */
  function eventsOf(use: [number, number][], moods: boolean): { events: SimulationEvent[]; endMs: number } {
    const down = new Set<number>();
    let atMs = 1;
    const events: SimulationEvent[] = [];
    for (const [key, waitMs] of use) {
      atMs += waitMs;
      if (key >= 40) {
        if (moods) events.push({ atMs, action: key < 43 ? "busy" : "ready" });
        continue;
      }
      events.push({ atMs, control: `K${key}`, action: down.has(key) ? "release" : "press" });
      if (!down.delete(key)) down.add(key);
    }
    for (const key of down) events.push({ atMs: atMs + 10, control: `K${key}`, action: "release" });
    events.push({ atMs: atMs + 20, action: "ready" });
    return { events, endMs: atMs + 60 };
  }

  it("end when their keys are up, and sound once at a time", () =>
    fc.assert(
      fc.property(deeds, fc.boolean(), (use, moods) => {
        const { events, endMs } = eventsOf(use as [number, number][], moods);
        const run = played(many, events, endMs);
        expect(run.sounding).toEqual([]);
        expect(strict(run)).toBeLessThanOrEqual(16);
      }),
      { numRuns: 300, seed: 7 },
    ));

  it("are those of the keys that are held, up to sixteen of them", () =>
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 23 }), { minLength: 1, maxLength: 24 }), (keys) => {
        const events = keys.map((key, nth): SimulationEvent => ({
          atMs: 5 + nth,
          control: `K${key}`,
          action: "press",
        }));
        const run = played(many, events, 200);
        const held = keys.slice(-16).map((key) => ({ channel: key % 3, note: 40 + key, velocity: key + 1 }));
        const byNote = (list: typeof held) => [...list].sort((a, b) => a.note - b.note);
        expect(byNote(run.sounding)).toEqual(byNote(held));
      }),
      { numRuns: 200, seed: 3 },
    ));

  it("are told anew after events ran over, and no key stays on", () => {
    const taps = Array.from({ length: 120 }, (_, nth): SimulationEvent => ({
      atMs: 10 + 2 * nth,
      control: `K${(nth >> 1) % 20}`,
      action: nth % 2 === 0 ? "press" : "release",
    }));
    const { sounding, music } = played(
      many,
      [
        { atMs: 5, action: "busy" },
        ...taps,
        { atMs: 260, control: "K7", action: "press" },
        { atMs: 300, action: "ready" },
      ],
      400,
    );
    expect(sounding).toEqual([{ channel: 1, note: 47, velocity: 8 }]);
    expect(music.filter(({ words }) => words.startsWith("all notes off")).length).toBe(3);
  });
});
