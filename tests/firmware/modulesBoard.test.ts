import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { changeCalls } from "@/core/edits/controllers";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import { moduleTimes } from "@/core/contract/link";
import { partFolder } from "@/core/targets/python/partFolder";
import { modularDesigns } from "../../demo";
import { callsOf, contactsOf } from "./chipWiring";
import { type Orders, playedModules, tellings, unstuffed } from "./playedModules";
import { allOnPythonClass, onPartsBoard, runPython, unpackPython } from "./python";

beforeAll(bringInlineRuntime);

const shared = allOnPythonClass(modularDesigns[0]);
const own = allOnPythonClass(changeCalls(modularDesigns[0], "own"));

const ORDERS: Orders = {
  calls: (module, contact) => `calls ${module} ${contact}`,
  told: (module, hex) => `all ${module} ${hex}`,
};

/** What the board says with this word, in the order of time: without it. */
const saidWith = (output: string, word: string) =>
  output.split("\n").flatMap((line) => new RegExp(`^(\\d+) ${word} (.+)$`).exec(line)?.slice(1, 3).join(" ") ?? []);

async function run(design: typeof shared, seed: number, part: number) {
  const folder = join(await unpackPython(design), partFolder(design, part));
  const all = playedModules(design, seed, part, ORDERS);
  const script = all.deeds.map(({ atMs, order }) => `${atMs} ${order}`);
  const { output } = onPartsBoard(design, part, folder, `${script.join("\n")}\n${all.endMs} end\n`);
  return { ...all, folder, output };
}

describe.each([
  ["one line for all", shared],
  ["a line each", own],
])("a base and its modules in Python on simulated boards, with %s", (_, design) => {
  it.each([1, 2, 3])(
    "the base asks who calls, and tells what is simulated, no later than is said (%i)",
    async (seed) => {
      const { output, reports, said } = await run(design, seed, 0);
      const told = output.split("\n").flatMap((line) => {
        const [, atMs, what] = /^(\d+) ((?:keyboard|consumer|pointer|system) \w+)$/.exec(line) ?? [];
        return what ? [{ atMs: Number(atMs), told: what }] : [];
      });
      expect(told.map((one) => one.told)).toEqual(reports.map((one) => one.told));
      const { most } = moduleTimes(design.controllers.length - 1, design === shared);
      for (const [nth, { atMs }] of told.entries())
        expect(Math.abs(atMs - reports[nth].atMs)).toBeLessThanOrEqual(most + 1);
      expect(reports.length).toBeGreaterThan(20);
      // Each of them is told by itself.
      for (const module of [1, 2])
        expect(tellings(saidWith(output, `told ${module}`).map(lastWord))).toEqual(tellings(said));
    },
  );

  it.each([1, 2])(
    "module %i tells when it is asked what is simulated, calls until then, and shows what it is told",
    async (part) => {
      const { output, said, lamps } = await run(design, 4, part);
      const told = saidWith(output, "said").map(lastWord);
      expect(tellings(told)).toEqual(tellings(said));
      expect(tellings(said).length).toBeGreaterThan(10);
      const calls = saidWith(output, "calls").map(lastWord);
      expect(calls.length).toBeGreaterThan(20);
      expect(calls).toEqual(calls.map((__, nth) => (nth % 2 === 0 ? "1" : "0")));
      expect(calls.at(-1)).toBe("0");
      const shown = output.split("\n").flatMap((line) => /^\d+ (lamp \d+ [01])$/.exec(line)?.[1] ?? []);
      expect(shown).toEqual(lamps);
    },
  );

  it("say on a computer, each by itself, that they report as simulated", async () => {
    const folder = await unpackPython(design);
    for (const part of design.controllers.keys())
      expect(runPython(join(folder, partFolder(design, part)), "play.py", "demo.txt", "expected.txt")).toBe(
        "as simulated\n",
      );
  });
});

const lastWord = (line: string) => line.split(" ").at(-1)!;

/** A base that is told what its modules say; its reports and what it does on the bus. */
async function base(design: typeof shared, script: string) {
  const folder = join(await unpackPython(design), partFolder(design, 0));
  return onPartsBoard(design, 0, folder, script).output.split("\n");
}

/** What modules said in a use, each first with nothing pressed; and the first that tells a pressed key. */
function sayings(design: typeof shared) {
  const { deeds } = playedModules(design, 1, 0, ORDERS);
  return [1, 2].map((module) => {
    const said = deeds.flatMap(({ order }) => new RegExp(`^module ${module} (\\w+)`).exec(order)?.[1] ?? []);
    return { free: said[0], held: said.find((hex) => unstuffed(hex)[1] !== unstuffed(said[0])[1])! };
  });
}

describe("the base of modules in Python", () => {
  it("lets go of what a module held that is pulled off, within 20 ms, and goes on with the other one", async () => {
    const [one, two] = sayings(own);
    const lines = await base(
      own,
      `0 module 1 ${one.free}\n0 module 2 ${two.free}\n60 module 2 ${two.held}\n200 module 2\n300 module 1 ${one.held}\n400 end\n`,
    );
    const keyboard = lines.filter((line) => line.includes(" keyboard ")).map((line) => parseInt(line));
    const between = (from: number, to: number) => keyboard.filter((ms) => ms >= from && ms < to).length;
    expect(between(60, 80)).toBe(1);
    expect(between(200, 221)).toBe(1);
    expect(between(221, 300)).toBe(0);
    expect(lines.filter((line) => line.includes(" asks 1")).length).toBeGreaterThan(50);
  });

  it("asks of two that call at once the next one round, then the other", async () => {
    const [one, two] = sayings(own);
    const [first] = contactsOfCalls(own);
    const lines = await base(
      own,
      `0 module 1 ${one.free}\n0 module 2 ${two.free}\n50 calls 2 ${first + 1}\n60 calls 1 ${first}\n60 calls 2 ${first + 1}\n90 end\n`,
    );
    const asked = lines.flatMap((line) => /^(\d+) asks (\d)$/.exec(line)?.slice(1).map(Number).join(" ") ?? []);
    expect(asked).toContain("50 2");
    expect(asked.filter((line) => /^6[01] /.test(line))).toEqual(["60 1", "61 2"]);
  });

  it("asks as many in a scan as milliseconds have passed, so that each is heard in time", async () => {
    const [one, two] = sayings(own);
    const lines = await base(own, `0 every 9\n0 module 1 ${one.free}\n0 module 2 ${two.held}\n300 end\n`);
    // A key that is held is told once, and never let go.
    const keyboard = lines.filter((line) => / keyboard (?!0+$)/.test(line));
    expect(keyboard.length).toBe(1);
    expect(lines.indexOf(keyboard[0])).toBe(lines.findLastIndex((line) => line.includes(" keyboard ")));
    expect(lines.filter((line) => line.includes(" asks ")).length).toBeGreaterThan(60);
  });
});

const contactsOfCalls = (design: typeof shared) => callsOf(design, 0).map((_, nth) => contactsOf(design).length + nth);
