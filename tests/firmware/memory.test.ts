import { describe, expect, it } from "vitest";
import type { Design } from "@/core/document/schema";
import { arenaNeed, fixedRamBytes, ramNeed, stackBytes } from "@/core/firmware/capacity";
import { scanTableOf } from "@/core/firmware/scanTable";
import { recordScript } from "@/core/engine/script";
import { chooseController } from "@/core/edits/pins";
import { modularDesigns } from "../../demo";
import { wiredDemos } from "../support/designs";
import { loom, onTwo } from "../support/twoParts";
import { withLive } from "./liveUse";
import { buildAvr, buildSimulator, play, workFolder } from "./builds";
import { readExample } from "./examples";
import { randomUse } from "./randomUse";

/** Sequences in which the stack is watched. */
const SEQUENCES = 60;

/** What no demo has. */
const keys = [..."ABCDEFGHIJ"].map((key) => `key ${key}: Key${key}`).join("\n");
const radio = readExample(`radio R: characters 00 01 02 03, with crc16, counter, keys, axes, wide, knobs, answers
${keys}
stick S
pot P
axis S x: dead 5 both
axis S y: dead 5 both
axis P: smooth 1
encoder E: clockwise KeyY, anticlockwise KeyZ
lamp L: told 3
at 0 answer 00`).design;
const port = readExample(`port P: A B C D E F G H I J free low A B C D\n${keys}`).design;
const all = [
  ...wiredDemos,
  { ...withLive(wiredDemos[0]), name: "Kestrel with live changes" },
  { ...radio, name: "a handset with a radio" },
  { ...port, name: "an adapter for a pad port" },
];

/** The device built for the core, and the deepest stack in random uses of it. */
function seenOnCore(design: Design) {
  const folder = workFolder();
  const image = buildAvr(design, folder);
  const script = Array.from({ length: SEQUENCES }, (_, seed) => {
    const run = recordScript(design, randomUse(design, seed));
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return run.value.script;
  }).join("");
  const { notes } = play(buildSimulator(), [image.binary], script);
  return { plan: scanTableOf(design), image, stack: Number(/stack (\d+)/.exec(notes)![1]) };
}

describe.each(all)("RAM of $name on the 8-bit core", (design) => {
  const { plan, image, stack } = seenOnCore(design);
  const own = image.ramBytes - arenaNeed(plan, design);

  it("is what the formula says: variables, arena and the deepest stack", () => {
    // The arena is rounded up to words, and the linker to an even end.
    expect(own).toBeLessThanOrEqual(fixedRamBytes(plan, design));
    expect(stack).toBeLessThanOrEqual(stackBytes(plan, design));
    expect(image.ramBytes + stack).toBeLessThanOrEqual(ramNeed(plan, design));
  });

  it("is not overstated: the formula is at most 60 bytes more than was seen", () => {
    expect(ramNeed(plan, design) - image.ramBytes - stack).toBeLessThanOrEqual(60);
  });

  it("stays below 2,000 bytes", () => expect(ramNeed(plan, design)).toBeLessThan(2000));
});

describe.each([
  ["two parts", onTwo(chooseController(loom, "small-5v-18"))],
  ["two parts with live changes", withLive(onTwo(chooseController(loom, "small-5v-18")))],
  ["modules on a bus", modularDesigns[0]],
])("RAM of a device of %s on the 8-bit core", (_, design) => {
  const { plan, image, stack } = seenOnCore(design);

  it("holds variables and a stack as the formulas say, and not many less", () => {
    const own = image.ramBytes - arenaNeed(plan, design);
    expect(own).toBeLessThanOrEqual(fixedRamBytes(plan, design));
    expect(stack).toBeLessThanOrEqual(stackBytes(plan, design));
    expect(ramNeed(plan, design) - image.ramBytes - stack).toBeLessThanOrEqual(60);
  });
});
