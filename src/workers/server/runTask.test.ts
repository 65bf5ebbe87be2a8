import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { keyBlock } from "../../../tests/support/designs";
import { buildServerTasks, root } from "../../../scripts/prepare.mjs";
import type { SimulationRequest } from "@/core/engine/simulate";
import { finishedPad } from "../../../tests/support/designs";
import { type Budget, TaskRunner } from "./runTask";
import type { Reply } from "./reply";

const bytes = (value: unknown) => new TextEncoder().encode(JSON.stringify(value));
const json = (reply: Reply) => JSON.parse(String(reply.body)) as Record<string, unknown>;

/** Ten minutes of device time with every knob turning: far more than a tenth of a second of work. */
const long: SimulationRequest = {
  events: Array.from({ length: 400 }, (_, nth) => ({ atMs: nth * 1000, action: "turn", control: "e1", steps: 1000 })),
  untilMs: 600_000,
};
const longCall = { name: "simulate" as const, body: bytes({ design: finishedPad(), ...long }), parameter: "" };
const shortCall = { name: "check" as const, body: bytes(finishedPad()), parameter: "" };

beforeAll(() => buildServerTasks());

const runners: TaskRunner[] = [];
const runnerWith = (budget: Partial<Budget>) => {
  const runner = new TaskRunner(`${root}build/serverTasks.mjs`, {
    ms: 60_000,
    memoryMb: 512,
    threads: 2,
    waiting: 8,
    ...budget,
  });
  runners.push(runner);
  return runner;
};
afterAll(() => Promise.all(runners.map((runner) => runner.close())));

describe("a long call", () => {
  it("works out the same as at once", async () => {
    const reply = await runnerWith({}).run(shortCall);
    expect(reply.status).toBe(200);
    expect(json(reply).findings).toHaveLength(1);
  });

  it("is told to be too long, and its thread ends; the next call is served", async () => {
    const runner = runnerWith({ ms: 100, threads: 1 });
    const reply = await runner.run({ ...longCall });
    expect(reply.status).toBe(503);
    expect(String(reply.body)).toMatch(/longer than the 0\.1 s that one call may take/);
    const patient = runnerWith({ threads: 1 });
    expect((await patient.run(shortCall)).status).toBe(200);
  });

  it("does not keep other calls waiting", async () => {
    const runner = runnerWith({ ms: 30_000, threads: 2 });
    const order: string[] = [];
    const slow = runner.run(longCall).then(() => order.push("long"));
    await runner.run(shortCall).then(() => order.push("short"));
    await slow;
    expect(order).toEqual(["short", "long"]);
  });

  it("ends by itself when it takes too much memory, and says so", async () => {
    const design = keyBlock(40, 25);
    const reply = await runnerWith({ memoryMb: 8 }).run({ name: "check", body: bytes(design), parameter: "" });
    expect(reply.status).toBe(503);
    expect(String(reply.body)).toMatch(/more than the 8 MB that one call may take/);
  });

  it("is turned away when too many wait", async () => {
    const runner = runnerWith({ threads: 1, waiting: 1 });
    const replies = await Promise.all([runner.run(longCall), runner.run(shortCall), runner.run(shortCall)]);
    expect(replies.map(({ status }) => status)).toEqual([200, 200, 503]);
  });

  it("answers the best plan so far when a search for short wiring runs out of time", async () => {
    const design = keyBlock(24, 12);
    const options = { school: "wiring", seconds: 4 };
    const call = { name: "plan/matrix" as const, body: bytes({ design, options }), parameter: "" };
    const reply = await runnerWith({ ms: 3000 }).run(call);
    // On a machine too slow for a first plan the call says that it took too long; it never hangs.
    expect([200, 503]).toContain(reply.status);
    if (reply.status === 200) expect(Object.keys(json(reply).cells as object)).toHaveLength(288);
  });
});
