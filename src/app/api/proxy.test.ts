import { NextRequest } from "next/server";
import { describe, expect, it } from "vitest";
import { proxy } from "@/proxy";

const ask = (path: string) => proxy(new NextRequest(`http://127.0.0.1:3000${path}`));

describe("Addresses that are no text", () => {
  it("are answered in a sentence", async () => {
    for (const path of ["/api/demos/%ff", "/api/export/%C3", "/api/demos/%E0%A4"]) {
      const answer = ask(path);
      expect(answer.status).toBe(400);
      const { problems } = await answer.json();
      expect(problems).toEqual([{ path: "", message: expect.stringContaining("no readable address") }]);
    }
  });

  it("lead to the shelf where a page was meant", () => {
    const answer = ask("/bench/%ff/layout");
    expect(answer.status).toBe(307);
    expect(new URL(answer.headers.get("location")!).pathname).toBe("/");
  });

  it("are the only ones that do not go on to their route", () => {
    for (const path of [
      "/api/demos",
      "/api/demos/loom-64",
      "/api/demos/%C3%A9",
      "/bench/a%20b/layout",
      "/api/demos/constructor",
    ])
      expect(ask(path).headers.get("x-middleware-next")).toBe("1");
  });
});
