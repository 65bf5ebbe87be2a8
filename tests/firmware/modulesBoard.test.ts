import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { changeCalls } from "@/core/edits/controllers";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import { moduleTimes } from "@/core/contract/link";
import { partFolder } from "@/core/targets/python/partFolder";
import { modularDesigns } from "../../demo";
import { type Orders, playedModules, tellings } from "./playedModules";
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
