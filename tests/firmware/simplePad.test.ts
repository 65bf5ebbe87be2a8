import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type DeviceWatch } from "@/core/engine/device";
import { type SimulationEvent, simulate } from "@/core/engine/simulate";
import { toHex } from "@/core/hex";
import { readExample } from "./examples";

// A model of a simple pad, written from the words of docs/device-behaviour.md and from nothing else.

const DEBOUNCE = 5;
const KEYS = ["A", "B", "C", "L", "S"] as const;
type KeyName = (typeof KEYS)[number];

/** By layer: the usage of each key, "hold" for the layer key, "shift" for the modifier; undefined passes through. */
const LAYERS: Partial<Record<KeyName, number | "hold" | "shift">>[] = [
  { A: 0x04, B: 0x05, C: 0x06, L: "hold", S: "shift" },
  { A: 0x1e, B: undefined, C: 0x1f },
];

const pad = `key A: KeyA
key B: KeyB
key C: KeyC
key L: hold 2
key S: ShiftLeft
layer 2: A = Digit1
layer 2: C = Digit2
at 0 press A`;

interface ContactAt {
  atMs: number;
  key: KeyName;
  closed: boolean;
}

function model(contacts: ContactAt[], untilMs: number): string[] {
  const closed = new Map<KeyName, boolean>(KEYS.map((key) => [key, false]));
  const counted = new Map<KeyName, boolean>(KEYS.map((key) => [key, false]));
  const differsSince = new Map<KeyName, number>();
  const meaning = new Map<KeyName, number | "hold" | "shift">();
  const reports: string[] = [];
  let sent = "0000000000000000";
  for (let now = 0; now < untilMs; now++) {
    for (const change of contacts) if (change.atMs === now) closed.set(change.key, change.closed);
    for (const key of KEYS) {
      if (closed.get(key) === counted.get(key)) {
        differsSince.delete(key);
        continue;
      }
      if (!differsSince.has(key)) differsSince.set(key, now);
      if (now - differsSince.get(key)! < DEBOUNCE) continue;
      differsSince.delete(key);
      counted.set(key, closed.get(key)!);
      if (!closed.get(key)) {
        meaning.delete(key);
        continue;
      }
      const layerHeld = [...meaning.values()].includes("hold");
      const found = (layerHeld ? LAYERS[1][key] : undefined) ?? LAYERS[0][key];
      if (found !== undefined) meaning.set(key, found);
    }
    const usages = KEYS.map((key) => meaning.get(key)).filter((m) => typeof m === "number");
    const modifiers = [...meaning.values()].includes("shift") ? "02" : "00";
    const bytes = [...new Set(usages)].map((usage) => usage.toString(16).padStart(2, "0"));
    const report = `${modifiers}00${bytes.join("").padEnd(12, "0")}`;
    if (report !== sent) reports.push(`${now} ${report}`);
    sent = report;
  }
  return reports;
}

const action = fc.record({ gap: fc.integer({ min: 0, max: 14 }), key: fc.constantFrom(...KEYS) });

describe("a simple pad", () => {
  it("behaves as the specification's words say, for any use and any bounce", () => {
    const { design } = readExample(pad);
    const use = fc.property(
      fc.array(action, { minLength: 1, maxLength: 24 }),
      fc.nat(),
      fc.integer({ min: 0, max: 7 }),
      (steps, seed, mostMs) => {
        const down = new Set<KeyName>();
        let atMs = 0;
        const events = steps.map(({ gap, key }): SimulationEvent => {
          atMs += gap;
          const isDown = down.delete(key);
          if (!isDown) down.add(key);
          return { atMs, control: key, action: isDown ? "release" : "press" };
        });
        const contacts: ContactAt[] = [];
        const reports: string[] = [];
        const watch: DeviceWatch = {
          contact: (at, contact, closed) => contacts.push({ atMs: at, key: contact.split(":")[0] as KeyName, closed }),
          report: (report) => reports.push(`${report.atMs} ${toHex(report.bytes)}`),
        };
        const run = simulate(design, { events, untilMs: atMs + 60, bounce: { mostMs, seed } }, watch);
        expect(run.ok).toBe(true);
        expect(reports).toEqual(model(contacts, atMs + 60));
      },
    );
    fc.assert(use, { numRuns: 500 });
  });
});
