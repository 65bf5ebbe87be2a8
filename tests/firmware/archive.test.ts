import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { readDesignText } from "@/core/formats/readDesignText";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import { loom, onTwo } from "../support/twoParts";
import { unpack } from "./unpack";

async function unpacked(design: Design): Promise<{ folder: string; file: (name: string) => string }> {
  const folder = await unpack(design, "firmware-c");
  return { folder, file: (name) => readFileSync(join(folder, name), "utf8") };
}

const make = (folder: string, target: string, ...settings: string[]) =>
  execFileSync("make", ["-C", folder, target, ...settings], { encoding: "utf8" });

describe.each([...demoDesigns, newDesign("empty", 'Nothing yet */ \\ "quoted"')])(
  "the exported archive of $name",
  (design) => {
    it("compiles as exported, without a warning, and reports as simulated", async () => {
      const { folder } = await unpacked(design);
      const strict = "CFLAGS=-std=c99 -O2 -Wall -Wextra -Wpedantic -Werror";
      expect(make(folder, "check", strict)).toContain("as simulated");
      make(folder, "board-objects", strict);
    });

    it("holds the design itself, to be imported again", async () => {
      const { file } = await unpacked(design);
      expect(readDesignText(file("design.ovrin.json"))).toEqual({ ok: true, value: design });
      expect(file("README.md")).toContain("make check");
    });
  },
);

describe("the exported archive of a device of two parts", () => {
  it("compiles for either part, and the main one reports and tells the other as simulated", async () => {
    const { folder, file } = await unpacked(onTwo(loom));
    const strict = "CFLAGS=-std=c99 -O2 -Wall -Wextra -Wpedantic -Werror";
    expect(make(folder, "check", strict)).toContain("as simulated");
    expect(file("expected.txt")).toContain(" link ");
    expect(file("demo.txt")).toContain(" linked ");
    for (const part of [0, 1]) make(folder, "board-objects", `${strict} -DOV_PART=${part}`);
    expect(file("README.md")).toContain("OV_PART=1");
    expect(file("pins.h")).toMatch(/part 1 \(Right half\)/);
  });
});

describe("the pin list", () => {
  it("names the pin of every line", async () => {
    const { file } = await unpacked(demoDesigns[0]);
    const { pinPlan } = demoDesigns[0];
    expect(file("pins.h")).toMatch(new RegExp(`0 {2}R1 +${pinPlan["matrix.R1"].pin}\\b`));
    expect(file("pins.h")).toContain("OV_DESCRIPTOR_KEYBOARD_LENGTH 64");
  });
});
