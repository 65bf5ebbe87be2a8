import { describe, expect, it, vi } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { POST as check } from "./check/route";
import { GET as demo } from "./demos/[id]/route";
import { guarded } from "./serve";

const ask = (headers: Record<string, string>) =>
  new Request("http://127.0.0.1:4100/api/check", { method: "POST", body: JSON.stringify(finishedPad()), headers });
const statusOf = async (headers: Record<string, string>) => (await check(ask(headers))).status;

describe("who is answered", () => {
  it.each([
    [{ host: "127.0.0.1:4100" }, 200],
    [{ host: "localhost:4100", origin: "http://localhost:4100" }, 200],
    [{ host: "[::1]:4100" }, 200],
    [{ host: "evil.example" }, 403],
    [{ host: "127.0.0.1:4100", origin: "https://evil.example" }, 403],
    [{ host: "127.0.0.1:4100", origin: "http://localhost:4100" }, 403],
    [{ host: "127.0.0.1:4100", origin: "null" }, 403],
  ])("%o: %i", async (headers, status) => expect(await statusOf(headers as Record<string, string>)).toBe(status));

  it("is also whoever asks under a name that the server was told of", async () => {
    vi.stubEnv("OVRIN_HOSTS", "bench.local:80,other");
    expect(await statusOf({ host: "bench.local:4100", origin: "http://bench.local:4100" })).toBe(200);
    vi.unstubAllEnvs();
    expect(await statusOf({ host: "bench.local:4100" })).toBe(403);
  });

  it("is told the reason in JSON", async () => {
    const answer = await check(ask({ host: "evil.example" }));
    expect((await answer.json()).problems[0].message).toContain('does not answer for "evil.example"');
  });
});

describe("an error of the server's own", () => {
  it("is JSON with a sentence", async () => {
    const answer = await guarded(new Request("http://127.0.0.1/"), () => {
      throw new Error("out of ink");
    });
    expect(answer.status).toBe(500);
    expect((await answer.json()).problems[0].message).toBe("The server could not answer: Error: out of ink");
  });

  it("does not come of a demo's name, however odd", async () => {
    for (const id of ["constructor", "__proto__", "\u0000", "%ff"]) {
      const answer = await demo(new Request("http://127.0.0.1/"), { params: Promise.resolve({ id }) });
      expect(answer.status).toBe(404);
    }
  });
});
