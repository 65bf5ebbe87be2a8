import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type SimulationEvent, simulate } from "@/core/engine/simulate";
import { WAITING } from "@/core/contract/contract";
import { toHex } from "@/core/hex";
import { readExample } from "./examples";

// A model of keys that wait, written from the words of docs/device-behaviour.md and from nothing else. It knows what the
// hand does later, and asks of each press when that is enough to decide it.

const KEYS = ["P", "Q", "R", "T", "U", "V"] as const;
type KeyName = (typeof KEYS)[number];
const DEADLINE = 40;
const WINDOW = 15;
const QUICK = 6;

interface Change {
  key: KeyName;
  pressed: boolean;
  atMs: number;
}
type School = "time" | "press" | "tap";
type Deed = "usual" | "held" | "together" | "late";

/** When a press is decided, what it does, and how many changes told it. */
interface Decision {
  atMs: number;
  does: Deed;
  changes: number;
}

const pad = (school: School) => `debounce 0
key P: KeyP
key Q: KeyQ
key R: KeyR
key T: KeyT | ShiftLeft | ${school} ${DEADLINE}, quick ${QUICK}
key U: KeyU | hold 2 | ${school} ${DEADLINE}
key V: KeyV | KeyW | taps ${DEADLINE}
together X: P Q within ${WINDOW} = KeyX
layer 2: R = Digit1
at 0 press P`;

/** The first change after a press within a time for which something holds. */
const within = (rest: Change[], fromMs: number, ms: number, test: (change: Change, nth: number) => boolean) =>
  rest.findIndex((change, nth) => change.atMs < fromMs + ms && test(change, nth));

function twoJobs(own: Change, rest: Change[], before: Change | undefined, school: School): Decision {
  if (own.key === "T" && before && before.key !== own.key && own.atMs - before.atMs < QUICK)
    return { atMs: own.atMs, does: "usual", changes: 1 };
  const isTap = ({ key, pressed }: Change, nth: number) =>
    !pressed && rest.slice(0, nth).some((one) => one.pressed && one.key === key);
  const up = within(rest, own.atMs, DEADLINE, ({ key }) => key === own.key);
  const other = within(rest, own.atMs, DEADLINE, (change, nth) => {
    if (change.key === own.key || school === "time") return false;
    return school === "press" ? change.pressed : isTap(change, nth);
  });
  if (up >= 0 && (other < 0 || up < other)) return { atMs: rest[up].atMs, does: "usual", changes: 1 };
  if (other >= 0) return { atMs: rest[other].atMs, does: "held", changes: 1 };
  return { atMs: own.atMs + DEADLINE, does: "held", changes: 1 };
}

function secondTap(own: Change, rest: Change[]): Decision {
  const [up, again] = rest;
  const ends = within(rest, own.atMs, DEADLINE, ({ key }) => key !== own.key);
  const isAgain = again?.key === own.key && again.atMs < own.atMs + DEADLINE;
  if (up?.key === own.key && isAgain) return { atMs: again.atMs, does: "late", changes: 3 };
  return { atMs: ends >= 0 ? rest[ends].atMs : own.atMs + DEADLINE, does: "usual", changes: 1 };
}

function together(own: Change, rest: Change[]): Decision {
  const [next] = rest;
  const isSoon = next !== undefined && next.atMs < own.atMs + WINDOW;
  if (!isSoon) return { atMs: own.atMs + WINDOW, does: "usual", changes: 1 };
  const isOther = next.pressed && next.key === (own.key === "P" ? "Q" : "P");
  return { atMs: next.atMs, does: isOther ? "together" : "usual", changes: isOther ? 2 : 1 };
}

function decide(all: Change[], nth: number, school: School): Decision {
  const own = all[nth];
  const rest = all.slice(nth + 1);
  const before = all.slice(0, nth).findLast(({ pressed }) => pressed);
  if (!own.pressed || own.key === "R") return { atMs: own.atMs, does: "usual", changes: 1 };
  if (own.key === "P" || own.key === "Q") return together(own, rest);
  return own.key === "V" ? secondTap(own, rest) : twoJobs(own, rest, before, school);
}

const USAGE: Record<string, number> = { P: 0x13, Q: 0x14, R: 0x15, T: 0x17, U: 0x18, V: 0x19 };

class Pad {
  private readonly held = new Map<KeyName | "X", number | "shift" | "layer" | "in X">();

  do(own: Change, { does }: Decision) {
    if (!own.pressed) return this.release(own.key);
    if (does === "together") {
      for (const key of ["P", "Q"] as const) this.held.set(key, "in X");
      this.held.set("X", 0x1b);
    } else this.held.set(own.key, this.meaning(own.key, does));
  }

  private meaning(key: KeyName, does: Deed) {
    if (does === "held") return key === "T" ? "shift" : "layer";
    if (does === "late") return 0x1a;
    return key === "R" && [...this.held.values()].includes("layer") ? 0x1e : USAGE[key];
  }

  private release(key: KeyName) {
    if (this.held.get(key) === "in X") this.held.delete("X");
    this.held.delete(key);
  }

  get report(): string {
    const usages = [...KEYS, "X" as const].map((key) => this.held.get(key)).filter((one) => typeof one === "number");
    const modifiers = [...this.held.values()].includes("shift") ? "02" : "00";
    const bytes = [...new Set(usages)].map((usage) => usage.toString(16).padStart(2, "0"));
    return `${modifiers}00${bytes.join("").padEnd(12, "0")}`;
  }
}

function model(all: Change[], school: School): string[] {
  const told = new Map<number, string>();
  const device = new Pad();
  // The scan in which the last change that had waited was done, and until when something waits.
  let lastMs = -1;
  for (let nth = 0; nth < all.length;) {
    const decision = decide(all, nth, school);
    const isAtOnce = decision.atMs === all[nth].atMs && decision.changes === 1 && !(all[nth].atMs <= lastMs);
    const needsNoOther = !all[nth].pressed || all[nth].key === "R" || isQuick(all, nth);
    const atMs = isAtOnce && needsNoOther ? decision.atMs : Math.max(decision.atMs, lastMs + 1);
    if (!(isAtOnce && needsNoOther)) lastMs = atMs;
    device.do(all[nth], decision);
    told.set(atMs, device.report);
    nth += decision.changes;
  }
  const times = [...told.keys()].sort((a, b) => a - b);
  let sent = "0000000000000000";
  return times.flatMap((atMs) => {
    const report = told.get(atMs)!;
    if (report === sent) return [];
    sent = report;
    return [`${atMs} ${report}`];
  });
}

function isQuick(all: Change[], nth: number): boolean {
  const before = all.slice(0, nth).findLast(({ pressed }) => pressed);
  return all[nth].key === "T" && before !== undefined && before.key !== "T" && all[nth].atMs - before.atMs < QUICK;
}

function changesOf(steps: { gap: number; key: KeyName }[]): Change[] {
  const down = new Set<KeyName>();
  let atMs = 5;
  const changes = steps.map(({ gap, key }): Change => {
    atMs += gap;
    const pressed = !down.delete(key);
    if (pressed) down.add(key);
    return { key, pressed, atMs };
  });
  // In the end every key comes up.
  return [...changes, ...[...down].map((key, nth): Change => ({ key, pressed: false, atMs: atMs + 100 + nth }))];
}

/** Changes of one millisecond come in the order of the switches. */
const inScanOrder = (changes: Change[]) =>
  changes
    .map((change, nth) => ({ change, nth }))
    .sort(
      (a, b) =>
        a.change.atMs - b.change.atMs || KEYS.indexOf(a.change.key) - KEYS.indexOf(b.change.key) || a.nth - b.nth,
    )
    .map(({ change }) => change);

function reportsOf(text: string, changes: Change[], busy: SimulationEvent[] = []) {
  const { design } = readExample(text);
  const events = changes.map(({ key, pressed, atMs }): SimulationEvent => ({
    atMs,
    control: key,
    action: pressed ? "press" : "release",
  }));
  const reports: string[] = [];
  const untilMs = (changes.at(-1)?.atMs ?? 0) + 300;
  const run = simulate(
    design,
    { events: [...events, ...busy].sort((a, b) => a.atMs - b.atMs), untilMs },
    { report: ({ atMs, bytes }) => reports.push(`${atMs} ${toHex(bytes)}`) },
  );
  expect(run.ok).toBe(true);
  return reports;
}

const step = fc.record({
  // A key's own two changes never fall into one millisecond: a contact cannot do that.
  gap: fc.oneof(
    fc.integer({ min: 1, max: 12 }),
    fc.constantFrom(DEADLINE - 1, DEADLINE, DEADLINE + 1, WINDOW - 1, WINDOW, QUICK - 1, QUICK),
  ),
  key: fc.constantFrom(...KEYS),
});

describe("keys that wait", () => {
  it.each(["time", "press", "tap"] as const)("are decided by %s as the specification's words say", (school) => {
    const use = fc.property(fc.array(step, { minLength: 1, maxLength: 18 }), (steps) => {
      const changes = inScanOrder(changesOf(steps));
      expect(reportsOf(pad(school), changes)).toEqual(model(changes, school));
    });
    fc.assert(use, { numRuns: 600 });
  });

  it("leave nothing down, whatever the computer does meanwhile", () => {
    const moods = fc.array(
      fc.record({ atMs: fc.integer({ min: 0, max: 400 }), action: fc.constantFrom("busy", "ready", "reset") }),
      { maxLength: 6 },
    );
    const use = fc.property(fc.array(step, { minLength: 1, maxLength: 60 }), moods, (steps, mood) => {
      const changes = changesOf(steps);
      const endMs = changes.at(-1)!.atMs;
      // A key that is pressed long after tells what else is down: nothing.
      const last: Change[] = [true, false].map((pressed, nth) => ({ key: "R", pressed, atMs: endMs + 200 + 20 * nth }));
      const reports = reportsOf(
        pad("tap"),
        [...changes, ...last],
        [...mood.filter(({ atMs }) => atMs < endMs), { atMs: endMs + 10, action: "ready" }],
      );
      expect(reports.slice(-2).map((report) => report.split(" ")[1])).toEqual(["0000150000000000", "0000000000000000"]);
    });
    fc.assert(use, { numRuns: 300 });
  });

  it(`decide the oldest as if its time were over when ${WAITING} changes wait`, () => {
    const slow = pad("time").replace(`time ${DEADLINE}, quick ${QUICK}`, "time 2000");
    const taps = Array.from({ length: WAITING }, (_, nth): Change => ({
      key: "R",
      pressed: nth % 2 === 0,
      atMs: 20 + nth,
    }));
    // The press of T and as many changes as there is room for beside it; the next one decides.
    const reports = (count: number) =>
      reportsOf(slow, [{ key: "T", pressed: true, atMs: 10 }, ...taps.slice(0, count)])[0];
    expect(reports(WAITING - 1)).toBe(undefined);
    // R, which nothing waits before then, is told with it.
    expect(reports(WAITING)).toBe(`${20 + WAITING - 1} 0200150000000000`);
  });
});
