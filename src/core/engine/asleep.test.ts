import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { setLampRule } from "../edits/keymap";
import type { Design } from "../document/schema";
import { type SimulationEvent, simulate } from "./simulate";

const demo = (id: string) => demoDesigns.find((one) => one.id === id)!;

/** What was told last before each of these times. */
function shownAt(design: Design, events: SimulationEvent[], times: number[]) {
  const lamps = new Map<number, boolean>();
  const lights = new Map<number, string>();
  const frames: string[][] = times.map(() => []);
  const seen: { lamps: boolean[]; lights: string[] }[] = [];
  const take = (atMs: number) => {
    while (seen.length < times.length && atMs >= times[seen.length])
      seen.push({ lamps: [...lamps.values()], lights: [...lights.values()] });
  };
  const during = (atMs: number) => times.findIndex((time) => atMs < time);
  const run = simulate(
    design,
    { events, untilMs: times.at(-1)! + 1 },
    {
      lamp: (atMs, line, on) => (take(atMs), lamps.set(line, on)),
      lights: (atMs, chain, bytes) => (take(atMs), lights.set(chain, [...bytes].join(" "))),
      display: (atMs, _, bytes) => during(atMs) >= 0 && frames[during(atMs)].push([...bytes].join(" ")),
      segments: (atMs, _, bytes) => during(atMs) >= 0 && frames[during(atMs)].push([...bytes].join(" ")),
    },
  );
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  take(Infinity);
  return { seen, frames };
}

const hasLight = (bytes: string[]) => bytes.some((chain) => /[1-9]/.test(chain));

describe("while the computer sleeps", () => {
  const times = [1500, 3000, 4500];
  const events: SimulationEvent[] = [
    { atMs: 1500, action: "sleep" },
    { atMs: 3000, action: "wake" },
  ];

  it("lights are dark, and as they were afterwards", () => {
    const { seen } = shownAt(demo("kestrel"), events, times);
    expect(seen.map(({ lights }) => hasLight(lights))).toEqual([true, false, true]);
    expect(seen[2].lights).toEqual(seen[0].lights);
  });

  it("lamps are dark, and digits are told to be, and as they were afterwards", () => {
    const { id } = demo("glasshouse").controls.find(({ kind }) => kind === "lamp")!;
    const { seen, frames } = shownAt(setLampRule(demo("glasshouse"), id, { when: "always" }), events, times);
    expect(seen.map(({ lamps }) => lamps.some(Boolean))).toEqual([true, false, true]);
    expect(frames[1].length).toBeGreaterThan(0);
    // By its register: what a digit was told last, register and value of each driver.
    const last = new Map(frames[1].map((frame) => [frame.split(" ")[0], frame.split(" ")]));
    expect([...last.values()].every((bytes) => bytes.every((byte, nth) => nth % 2 === 0 || byte === "0"))).toBe(true);
    const again = new Map(frames[2].map((frame) => [frame.split(" ")[0], frame]));
    for (const [register, frame] of again) expect(frames[0]).toContain(frame || register);
  });

  it("a display has no lit dot, and its page again afterwards", () => {
    const { frames } = shownAt(demo("kestrel"), events, times);
    const dots = (all: string[]) =>
      all
        .filter((frame) => frame.startsWith("64 "))
        .join(" ")
        .split(" ")
        .filter((byte) => byte !== "64" && byte !== "0");
    expect(dots(frames[0]).length).toBeGreaterThan(50);
    expect(dots(frames[1])).toEqual([]);
    expect(dots(frames[2])).toEqual(dots(frames[0]));
  });

  it("a key calls it, 20 ms later it is awake and told; a stick that moves the pointer does not", () => {
    const keyed = simulate(demo("tern"), {
      events: [
        { atMs: 50, action: "sleep" },
        { atMs: 100, control: demo("tern").controls.find(({ kind }) => kind === "key")!.label, action: "press" },
      ],
      untilMs: 300,
    });
    if (!keyed.ok) throw new Error(JSON.stringify(keyed.problems));
    expect(keyed.value.reports.filter(({ atMs }) => atMs > 50).map(({ atMs }) => atMs)[0]).toBe(125);
  });
});
