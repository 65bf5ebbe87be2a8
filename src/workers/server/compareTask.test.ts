import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { compareTask } from "./compareTask";
import { serverTasks } from "./tasks";

const tern = demoDesigns.find(({ id }) => id === "tern")!;

async function ask(body: unknown) {
  const reply = await compareTask(new TextEncoder().encode(JSON.stringify(body)), "", () => {});
  return { status: reply.status, body: JSON.parse(String(reply.body)) };
}

describe("POST /api/compare", () => {
  it("is one of the server's calls", () => expect(serverTasks.compare).toBe(compareTask));

  it("tells what is different in lines, with the changes that they stand for", async () => {
    const other = structuredClone(tern);
    other.controls[0].label = "Port";
    other.controls[0].placement.yMm -= 2;
    const { status, body } = await ask({ design: tern, other });
    expect(status).toBe(200);
    expect(body.differences.map(({ words }: { words: string }) => words)).toEqual([
      "Port moved 2 mm farther",
      `${tern.controls[0].label} is called Port`,
    ]);
    expect(body.cost.before).toBe(body.cost.after);
    expect((await ask({ design: tern, other: tern })).body.differences).toEqual([]);
  });

  it("says which of both is wrong, and where", async () => {
    expect((await ask({ design: tern })).body.problems).toEqual([
      { path: "other", message: "Give the design to compare with." },
    ]);
    const wrong = await ask({ design: tern, other: { ...tern, name: 7 } });
    expect(wrong.status).toBe(422);
    expect(wrong.body.problems[0].path).toBe("other.name");
    const nothing = await ask({ design: tern, other: null });
    expect(nothing.status).toBe(422);
    expect(nothing.body.problems[0].path).toMatch(/^other/);
  });
});
