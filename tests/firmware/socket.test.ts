import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { type SimulationEvent, simulate } from "@/core/engine/simulate";
import { readExample } from "./examples";
import { manyNotes, noteUses } from "./manyNotes";
import { sameInEveryBuild } from "./inEveryBuild";

/** Keys, a knob, a stick and a pot that play over USB and over a socket. */
const box = readExample(`socket S1
key A: note 60 96
key B: note 60 40
key C: hold 2
key D: note 64 1 16
key E: controller 64 127
key F: program 12 2
key G: note 67 127 | controller 1 99 | tap 60
key H: KeyH
stick S
pot P
encoder N: clockwise KeyX, anticlockwise note 30 30
knob N: top 40, controls 7
axis S x: dead 5 each
axis P: smooth 1, still 0.4
use S x: music bend
use S y: music controller 11 3
use P: music fine 1 2
layer 2: A = note 72 64
layer 2: use P = music fine 31
layer 2: B = KeyZ
at 0 press A`).design;

describe("what a socket for music is told, in every build", () => {
  sameInEveryBuild({
    design: box,
    told: "din",
    least: 5000,
    leastOverUsb: 300,
    uses: 600,
    usesOnCore: 120,
    usesOnChip: 60,
    interfaces: ["music", "keyboard"],
  });
});

const both = manyNotes("socket S1");
const alone = manyNotes("socket S1", "no music over USB");

/** What leaves the socket, by milliseconds. */
function told(design: Design, events: SimulationEvent[], untilMs: number): [number, number[]][] {
  const bytes: [number, number[]][] = [];
  const run = simulate(design, { events, untilMs }, { din: (atMs, own) => bytes.push([atMs, [...own]]) });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return bytes;
}

/** Notes that sound after these bytes, read by MIDI 1.0, table I: a status counts until the next; a note on of velocity 0 would end one. */
function soundingAfter(bytes: number[]): string[] {
  const on = new Set<string>();
  let status = 0;
  for (let at = 0; at < bytes.length;) {
    if (bytes[at] >= 0x80) status = bytes[at++];
    expect(status).toBeGreaterThan(0);
    const length = status >> 4 === 0xc ? 1 : 2;
    // A message that was cut off by a status is none.
    const cut = bytes.slice(at, at + length).findIndex((byte) => byte >= 0x80);
    const values = bytes.slice(at, at + (cut < 0 ? length : cut));
    at += values.length;
    if (values.length < length) continue;
    const channel = status & 15;
    const key = `${channel} ${values[0]}`;
    if (status >> 4 === 9) on.add(key);
    if (status >> 4 === 8) on.delete(key);
    if (status >> 4 === 0xb && values[0] === 123)
      for (const one of [...on]) if (one.startsWith(`${channel} `)) on.delete(one);
  }
  return [...on].sort();
}

describe("notes on a socket, whatever is played", () => {
  const deeds = noteUses(200);

  it("are those that are held, and none in the end; never more than three bytes in a millisecond", () =>
    fc.assert(
      fc.property(deeds, fc.boolean(), fc.boolean(), (use, isAlone, letGo) => {
        const down: number[] = [];
        let atMs = 1;
        const events: SimulationEvent[] = [];
        for (const [key, waitMs] of use) {
          atMs += waitMs;
          if (key >= 40) events.push({ atMs, action: key < 43 ? "busy" : "reset" });
          else if (down.includes(key)) {
            down.splice(down.indexOf(key), 1);
            events.push({ atMs, control: `K${key}`, action: "release" });
          } else {
            down.push(key);
            events.push({ atMs, control: `K${key}`, action: "press" });
          }
        }
        if (letGo) for (const key of down) events.push({ atMs: atMs + 1, control: `K${key}`, action: "release" });
        const bytes = told(isAlone ? alone : both, events, atMs + 200);
        expect(Math.max(0, ...bytes.map(([, own]) => own.length))).toBeLessThanOrEqual(3);
        const now = soundingAfter(bytes.flatMap(([, own]) => own));
        const held = [...new Set(down.map((key) => `${key % 3} ${40 + (key % 24)}`))].sort();
        if (letGo) expect(now).toEqual([]);
        else if (down.length <= 16) expect(held).toEqual(expect.arrayContaining(now));
      }),
      { numRuns: 300, seed: 11 },
    ));

  it("are all of those that are held while no more than sixteen were", () =>
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 23 }), { minLength: 1, maxLength: 16 }), (keys) => {
        const events = keys.map((key): SimulationEvent => ({ atMs: 5, control: `K${key}`, action: "press" }));
        const bytes = told(alone, [{ atMs: 2, action: "busy" }, ...events], 100);
        expect(soundingAfter(bytes.flatMap(([, own]) => own))).toEqual(
          keys.map((key) => `${key % 3} ${40 + key}`).sort(),
        );
      }),
      { numRuns: 100, seed: 5 },
    ));

  it("are told anew after the row ran over", () => {
    const chords = Array.from({ length: 8 }, (_, nth) =>
      Array.from({ length: 12 }, (__, key): SimulationEvent => ({
        atMs: 10 + 2 * nth,
        control: `K${key}`,
        action: nth % 2 === 0 ? "press" : "release",
      })),
    ).flat();
    const bytes = told(alone, [...chords, { atMs: 40, control: "K7", action: "press" }], 300).flatMap(([, own]) => own);
    expect(bytes.filter((_, at) => bytes[at] === 123).length).toBeGreaterThanOrEqual(1);
    expect(soundingAfter(bytes)).toEqual(["1 47"]);
  });
});
