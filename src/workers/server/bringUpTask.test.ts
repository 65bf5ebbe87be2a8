import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { bringUpTask } from "./bringUpTask";
import { serverTasks } from "./tasks";

const tern = demoDesigns.find(({ id }) => id === "tern")!;

interface Answer {
  next: { id: string; title: string; outcomes: { came: string; words: string }[] } | null;
  suspects: { words: string[]; share: number }[];
  possible: number;
  known: number;
  tests: { id: string; title: string }[];
  problems: { path: string; message: string }[];
}

async function ask(options: unknown, design: unknown = tern) {
  const body = new TextEncoder().encode(JSON.stringify({ design, options }));
  const reply = await bringUpTask(body, "", () => {});
  return { status: reply.status, body: JSON.parse(String(reply.body)) as Answer };
}

describe("POST /api/bringup", () => {
  it("is one of the server's calls", () => expect(serverTasks.bringup).toBe(bringUpTask));

  it("tells the next test, and with answers the suspects", async () => {
    const { status, body } = await ask({});
    expect(status).toBe(200);
    expect(body.next?.title).toMatch(/^Before any plug/);
    expect(body.suspects).toEqual([]);
    expect(body.tests.length).toBeGreaterThan(100);
    const [first] = tern.controls.map(({ id }) => id);
    const told = await ask({ answers: [{ test: `press ${first}:press`, came: "" }] });
    expect(told.status).toBe(200);
    expect(told.body.possible).toBeLessThan(told.body.known / 4);
    expect(told.body.suspects[0].share).toBeGreaterThan(0.05);
    expect(told.body.suspects.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });

  it("hunts when it is told to", async () => {
    const { body } = await ask({ isHunted: true });
    expect(body.next?.title).toMatch(/^Sweep/);
    expect(body.suspects.length).toBeGreaterThan(3);
  });

  it("refuses tests that there are not, and efforts that are none, with the place", async () => {
    const gone = await ask({ answers: [{ test: "press constructor", came: "" }] });
    expect(gone.status).toBe(422);
    expect(gone.body.problems).toEqual([
      { path: "options.answers.0.test", message: 'The design has no test "press constructor".' },
    ]);
    const free = await ask({ efforts: { meter: 0 } });
    expect(free.status).toBe(422);
    expect(free.body.problems[0].path).toBe("options.efforts.meter");
  });
});
