import { execFileSync } from "node:child_process";
import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { unzipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { readDesignText } from "@/core/formats/readDesignText";
import { artifactNamed } from "@/core/formats/registry";
import { newDesign } from "@/core/document/newDesign";
import type { Design } from "@/core/document/schema";
import { workFolder } from "./builds";

async function unpack(design: Design): Promise<{ folder: string; files: Record<string, string> }> {
  const made = await artifactNamed("firmware-c")!.make(design);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  const folder = workFolder();
  const files: Record<string, string> = {};
  for (const [name, bytes] of Object.entries(unzipSync(made.value.bytes))) {
    const path = join(folder, name);
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, bytes);
    files[name.slice(name.indexOf("/") + 1)] = new TextDecoder().decode(bytes);
  }
  return { folder: join(folder, Object.keys(unzipSync(made.value.bytes))[0].split("/")[0]), files };
}

const make = (folder: string, target: string, ...settings: string[]) =>
  execFileSync("make", ["-C", folder, target, ...settings], { encoding: "utf8" });

describe.each([...demoDesigns, newDesign("empty", 'Nothing yet */ \\ "quoted"')])(
  "the exported archive of $name",
  (design) => {
    it("compiles as exported, without a warning, and reports as simulated", async () => {
      const { folder } = await unpack(design);
      const strict = "CFLAGS=-std=c99 -O2 -Wall -Wextra -Wpedantic -Werror";
      expect(make(folder, "check", strict)).toContain("as simulated");
      make(folder, "board-objects", strict);
    });

    it("holds the design itself, to be imported again", async () => {
      const { files } = await unpack(design);
      expect(readDesignText(files["design.ovrin.json"])).toEqual({ ok: true, value: design });
      expect(files["README.md"]).toContain("make check");
    });
  },
);

describe("the pin list", () => {
  it("names the pin of every line", async () => {
    const { files } = await unpack(demoDesigns[0]);
    const { pinPlan } = demoDesigns[0];
    expect(files["pins.h"]).toMatch(new RegExp(`0 {2}R1 +${pinPlan["matrix.R1"].pin}\\b`));
    expect(files["pins.h"]).toContain("OV_DESCRIPTOR_KEYBOARD_LENGTH 64");
  });
});
