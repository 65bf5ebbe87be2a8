import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { afterEach, beforeAll, describe, expect, it } from "vitest";
import { adoptPinPlan } from "@/core/edits/pins";
import { planPins } from "@/core/pins/planPins";
import { changeCalls } from "@/core/edits/controllers";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import { scanTableOf } from "@/core/firmware/scanTable";
import { moduleTimes } from "@/core/contract/link";
import { imageFor } from "@/core/image/usb8Images";
import { IMAGE_ARENA_BYTES, IMAGE_VARIABLE_BYTES } from "@/core/image/usb8Memory.generated";
import { modularDesigns } from "../../demo";
import { workFolder } from "./builds";
import { ChipTalk } from "./chipTalk";
import { callsOf, contactsOf } from "./chipWiring";
import { type Deed, playedModules, tellings, unstuffed } from "./playedModules";
import { buildUsbHost, flashFiles, imageFiles } from "./usbChip";
import { unpack } from "./unpack";

/** Of the 8-bit USB class (from memory). */
const CHIP_RAM_BYTES = 2560;
const [dunlin] = modularDesigns;
const shared = dunlin;
const calling = changeCalls(shared, "own");
const own = adoptPinPlan(
  { ...calling, reportSet: { ...calling.reportSet, interfaces: ["keyboard", "consumer"] } },
  planPins(calling),
);

let host: string;
let folder: string;
let chip: ChipTalk;
beforeAll(async () => {
  await bringInlineRuntime();
  folder = workFolder();
  host = buildUsbHost();
});
afterEach(() => chip.end());

/** What was said, in the order of time; lines without one are answers. */
async function play(deeds: Deed[], endMs: number, heard: (lines: string[]) => Promise<void> = async () => {}) {
  const lines: string[] = [];
  let nowMs = 0;
  const pass = async (untilMs: number) => {
    for (; nowMs < untilMs; nowMs++) {
      const now = (await chip.pass(1)).filter((line) => !line.startsWith("WARNING"));
      lines.push(...now);
      await heard(now);
    }
  };
  for (const { atMs, order } of deeds) {
    await pass(atMs);
    await chip.order(order);
  }
  await pass(endMs);
  return lines;
}

async function hasRoom(design: typeof dunlin) {
  expect(await chip.late()).toBe(0);
  const stack = Number((await chip.order("stack"))[0]);
  const variables = IMAGE_VARIABLE_BYTES[imageFor(design, scanTableOf(design)).id];
  // Half as much again as the deepest that was seen.
  expect(IMAGE_ARENA_BYTES + variables + 1.5 * stack).toBeLessThan(CHIP_RAM_BYTES);
}

describe.each([
  ["one line for all", shared],
  ["a line each", own],
])("the finished images of a base and its modules, with %s", (_, design) => {
  it.each([1, 2, 3])(
    "the base asks who calls, and tells what is simulated, no later than is said (%i)",
    async (seed) => {
      const { deeds, reports, endMs } = playedModules(design, seed, 0);
      chip = new ChipTalk(host, imageFiles(design, folder, undefined, 0), ["bus", "1"]);
      const calls = callsOf(design, 0);
      const asked: number[] = [];
      const lines = await play(deeds, endMs, async (now) => {
        // A module lets go of its line when it is asked.
        for (const line of now) {
          const module = Number(/ asks (\d+)$/.exec(line)?.[1] ?? -1);
          if (module < 0) continue;
          asked.push(module);
          const nth = calls.findIndex(([, modules]) => modules.includes(module));
          await chip.order(`contact ${contactsOf(design).length + nth} 0`);
        }
      });
      expect([...new Set(asked)].sort()).toEqual(
        scanTableOf(design)
          .parts.slice(1)
          .map((__, nth) => nth + 1),
      );
      const told = lines.flatMap((line) => {
        const [, atMs, what] = /^(\d+) ((?:keyboard|consumer|pointer|system) \w+)$/.exec(line) ?? [];
        return what ? [{ atMs: Number(atMs), told: what }] : [];
      });
      expect(told.map((one) => one.told)).toEqual(reports.map((one) => one.told));
      const most = moduleTimes(design.controllers.length - 1, design === shared).most;
      // Which scan a byte comes before is another here than where it is simulated, and so may be whose turn it is.
      for (const [nth, { atMs }] of told.entries())
        expect(Math.abs(atMs - reports[nth].atMs)).toBeLessThanOrEqual(most + 1);
      expect(reports.length).toBeGreaterThan(20);
      await hasRoom(design);
    },
  );

  it.each([1, 2])(
    "module %i tells when it is asked what is simulated, calls until then, and shows what it is told",
    async (part) => {
      const { deeds, said, lamps, endMs } = playedModules(design, 4, part);
      chip = new ChipTalk(host, imageFiles(design, folder, undefined, part), ["bus", "0"]);
      let called = 0;
      const lines = await play(deeds, endMs, async () => {
        if ((await chip.order("calls"))[0] === "1") called++;
      });
      const told = lines.flatMap((line) => / said (\w+)$/.exec(line)?.[1] ?? []);
      expect(told.every((hex) => hex.endsWith("00"))).toBe(true);
      expect(tellings(told)).toEqual(tellings(said));
      expect(tellings(said).length).toBeGreaterThan(10);
      expect(called).toBeGreaterThan(10);
      expect((await chip.order("calls"))[0]).toBe("0");
      const shown = lines.flatMap((line) => /^\d+ (lamp \d+ [01])$/.exec(line)?.[1] ?? []);
      expect(shown).toEqual(lamps);
      await hasRoom(design);
    },
  );

  it("the base lets go of what a module held that is pulled off, within 20 ms, and goes on with the other one", async () => {
    const scan = scanTableOf(design);
    const { deeds } = playedModules(design, 1, 0);
    const frames = (module: number) => deeds.filter(({ order }) => order.startsWith(`module ${module} `));
    // The first that tells a closed contact, of both.
    const held = [1, 2].map((module) => frames(module).find(({ order }) => isHeld(order.split(" ")[2], scan, module))!);
    const free = [1, 2].map((module) => frames(module)[0]);
    chip = new ChipTalk(host, imageFiles(design, folder, undefined, 0), ["bus", "1"]);
    const at = (atMs: number, { order }: Deed): Deed => ({ atMs, order });
    const gone: Deed = { atMs: 200, order: "module 2 " };
    const lines = await play([at(0, free[0]), at(0, free[1]), at(60, held[1]), at(120, held[0]), gone], 300);
    const keyboard = lines.flatMap((line) => {
      const [, atMs, bytes] = /^(\d+) keyboard (\w+)$/.exec(line) ?? [];
      return bytes ? [{ atMs: Number(atMs), bytes }] : [];
    });
    const [before, after] = [keyboard.filter(({ atMs }) => atMs < 200), keyboard.filter(({ atMs }) => atMs >= 200)];
    expect(before.length).toBeGreaterThan(0);
    expect(after.length).toBe(1);
    expect(after[0].atMs).toBeLessThanOrEqual(220);
    expect(after[0].bytes).not.toBe(before.at(-1)!.bytes);
  });
});

describe("a bus that somebody holds", () => {
  it("leaves the base its own keys, and is spoken over again when it is let go", async () => {
    const contact = contactsOf(shared).indexOf("in:press");
    chip = new ChipTalk(host, imageFiles(shared, folder, undefined, 0), ["bus", "1"]);
    const press = async () => (await chip.press(contact, 60)).filter((line) => line.includes(" keyboard ")).length;
    await chip.pass(20);
    expect(await press()).toBe(2);
    await chip.order("held 1");
    await chip.pass(40);
    expect(await press()).toBe(2);
    await chip.order("held 0");
    expect((await chip.pass(40)).some((line) => line.includes(" asks 01"))).toBe(true);
    expect(await press()).toBe(2);
  });

  it("leaves a module that is not asked to the end able to tell later", async () => {
    chip = new ChipTalk(host, imageFiles(shared, folder, undefined, 1), ["bus", "0"]);
    await chip.pass(10);
    await chip.order("asked 1");
    await chip.order("held 1");
    await chip.pass(40);
    await chip.order("held 0");
    await chip.pass(10);
    await chip.order("asked 1");
    expect((await chip.pass(10)).some((line) => / said \w+00$/.test(line))).toBe(true);
  });
});

describe("the project of a base and its modules on 8-bit USB boards", () => {
  it("is compiled once for each, with nothing to write, and the base tells what is simulated", async () => {
    const project = await unpack(shared, "firmware-project");
    const make = (...settings: string[]) => execFileSync("make", ["-C", project, ...settings], { stdio: "pipe" });
    for (const part of [2, 1, 0]) make(`PART=${part}`);
    const [hex, code] = [join(project, "device-0.hex"), join(project, "device-0.bin")];
    execFileSync("avr-objcopy", ["-I", "ihex", "-O", "binary", hex, code]);
    const { deeds, reports, endMs } = playedModules(shared, 1, 0);
    chip = new ChipTalk(host, flashFiles(shared, project, [{ at: 0, bytes: readFileSync(code) }]), ["bus", "1"]);
    const lines = await play(deeds, endMs, async (now) => {
      if (now.some((line) => / asks /.test(line))) await chip.order(`contact ${contactsOf(shared).length} 0`);
    });
    const told = lines.flatMap((line) => /^\d+ ((?:keyboard|consumer) \w+)$/.exec(line)?.[1] ?? []);
    expect(told).toEqual(reports.map((one) => one.told));
  });
});

const isHeld = (hex: string, scan: ReturnType<typeof scanTableOf>, module: number): boolean => {
  const own = scan.parts[module].switches - scan.parts[module - 1].switches;
  return unstuffed(hex)
    .subarray(1, 1 + Math.ceil(own / 8))
    .some((byte) => byte !== 0);
};
