import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import type { SimulationRequest } from "@/core/engine/simulate";
import { recordScript } from "@/core/engine/script";
import { flashImage } from "@/core/image/flashImage";
import { usb8Code } from "@/core/image/usb8Code";
import { randomFrom } from "@/core/optimisation/random";
import { artifactNamed } from "@/core/exports/registry";
import { buildAvr, buildNative, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { firstDifference } from "./firstDifference";
import { onSmallClass } from "./onSmallClass";
import { onPythonClass } from "./python";
import { randomUse } from "./randomUse";
import { joined } from "./recordedUses";
import { later } from "./usbChip";

const keys = [..."ABCDEFGHIJ"].map((key) => `key ${key}: Key${key}`).join("\n");
const short = readExample(`port P: A B C D low free E F, after low\n${keys}\ndebounce A: eager 5`).design;
const long = readExample(`port P: J I H G F E D C B A free free A low free B\n${keys}\ntoggle T: KeyT`).design;

/** A console that reads the port again and again while a hand plays. */
function polled(design: Design, seed: number): SimulationRequest {
  const random = randomFrom(seed);
  const use = later(randomUse(design, seed, ["busy", "ready", "late", "sleep", "wake", "reset"]));
  const polls = Array.from({ length: 12 }, () => ({
    atMs: Math.floor(random() * use.untilMs),
    action: "poll" as const,
  }));
  return { ...use, events: [...use.events, ...polls].sort((a, b) => a.atMs - b.atMs) };
}

const all = [short, long].map((design) => ({
  design,
  ...joined(
    Array.from({ length: 60 }, (_, seed) => {
      const run = recordScript(design, polled(design, seed + 1));
      if (!run.ok) throw new Error(JSON.stringify(run.problems));
      return run.value;
    }),
  ),
}));

describe("a pad port in every build", () => {
  const folder = workFolder();

  it("is read much, and pressed", () => {
    for (const { expected } of all) {
      const read = expected.split("\n").filter((line) => line.includes(" plug "));
      expect(read.length).toBe(720);
      expect(new Set(read.map((line) => line.split(" ")[2])).size).toBeGreaterThan(25);
    }
  });

  it.each([
    ["gcc", 0],
    ["clang", 1],
  ] as const)("is the same when built by %s", (compiler, nth) => {
    const { design, script, expected } = all[nth];
    expect(firstDifference(play(buildNative(compiler, design, folder), [], script).output, expected)).toBeNull();
  });

  it.each([0, 1])("is the same on the simulated 8-bit core (%i)", (nth) => {
    const { design, script, expected } = all[nth];
    const { output } = play(buildSimulator(), [buildAvr(design, folder).binary], script);
    expect(firstDifference(output, expected)).toBeNull();
  });

  it("is refused in words where no interrupt can answer in time, or is not there", async () => {
    const python = await artifactNamed("firmware-python")!.make(onPythonClass(short));
    expect(python).toMatchObject({
      problems: [{ message: "has a serial pad port, whose clock an interpreter cannot follow" }],
    });
    const small = onSmallClass(short);
    const image = flashImage(small, usb8Code(small));
    expect(JSON.stringify(image)).toContain("a serial pad port");
  });
});
