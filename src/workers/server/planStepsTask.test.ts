import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { assemblyOf } from "@/core/assembly/assembly";
import { planStepsTask } from "./planStepsTask";
import { serverTasks } from "./tasks";

const loom = demoDesigns.find(({ id }) => id === "loom-64")!;

interface Answer {
  steps: {
    id: string;
    minutes: { low: number; middle: number; high: number };
    cautions: string[];
    reaches?: unknown;
  }[];
  minutes: { low: number; middle: number; high: number };
  sittings: string[][];
  words: string;
  problems: { path: string; message: string }[];
}

async function ask(options: unknown) {
  const body = new TextEncoder().encode(JSON.stringify({ design: loom, options }));
  const reply = await planStepsTask(body, "", () => {});
  return { status: reply.status, body: JSON.parse(String(reply.body)) as Answer };
}

describe("POST /api/plan/steps", () => {
  it("is one of the server's calls", () => expect(serverTasks["plan/steps"]).toBe(planStepsTask));

  it("tells the steps that the bench shows, in their order, each with its time", async () => {
    const { status, body } = await ask({});
    expect(status).toBe(200);
    expect(body.steps.map(({ id }) => id)).toEqual(assemblyOf(loom).steps.map(({ id }) => id));
    expect(body.sittings.flat()).toEqual(body.steps.map(({ id }) => id));
    for (const { minutes, reaches } of body.steps) {
      expect(minutes.low).toBeLessThan(minutes.high);
      expect(reaches).toBeUndefined();
    }
    expect(body.steps.flatMap(({ cautions }) => cautions).some((words) => words.includes("ventilate"))).toBe(true);
    expect(body.words).toMatch(/^about [\d.]+ to [\d.]+ hours$/);
  });

  it("reckons with which device it is and with one's own logged steps", async () => {
    const plain = (await ask({})).body.minutes.middle;
    expect((await ask({ device: 2 })).body.minutes.middle / plain).toBeCloseTo(0.8, 2);
    const logged = Array.from({ length: 20 }, () => ({ sort: "wire", units: 5, minutes: 30 }));
    expect((await ask({ logged })).body.minutes.middle).toBeGreaterThan(1.5 * plain);
  });

  it.each([
    ["a sort that is none", { logged: [{ sort: "constructor", units: 1, minutes: 1 }] }, "options.logged.0.sort"],
    ["no minutes at all", { logged: [{ sort: "wire", units: 1, minutes: 0 }] }, "options.logged.0.minutes"],
    ["the zeroth device", { device: 0 }, "options.device"],
    ["learning beyond all", { learning: 2 }, "options.learning"],
  ])("refuses %s by its place", async (_what, options, path) => {
    const { status, body } = await ask(options);
    expect(status).toBe(422);
    expect(body.problems[0].path).toBe(path);
  });
});
