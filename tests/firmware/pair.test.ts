import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { afterEach, beforeAll, describe, expect, it } from "vitest";
import { asOneController } from "@/core/derived/halves";
import { chooseController } from "@/core/edits/pins";
import { simulate, type SimulationEvent } from "@/core/engine/simulate";
import { toHex } from "@/core/hex";
import { linkTimes } from "@/core/firmware/linkTimes";
import { scanTableOf } from "@/core/firmware/scanTable";
import { imageFor } from "@/core/image/usb8Images";
import { IMAGE_ARENA_BYTES, IMAGE_VARIABLE_BYTES } from "@/core/image/usb8Memory.generated";
import { randomFrom } from "@/core/optimisation/random";
import { keysOf, loom, onTwo } from "../support/twoParts";
import { workFolder } from "./builds";
import { contactsOf } from "./chipWiring";
import { PairTalk } from "./pairTalk";
import { buildUsbHost, flashFiles, imageFiles } from "./usbChip";
import { unpack } from "./unpack";

/** Both halves on the small 5 V class, each with its own finished image. */
const design = onTwo(chooseController(loom, "small-5v-18"));
const contacts = contactsOf(design);
/** Of the 8-bit USB class (from memory). */
const CHIP_RAM_BYTES = 2560;
const keys = keysOf(design);
const contactOf = (elementId: string) => contacts.findIndex((contact) => contact.startsWith(elementId));
const isFar = (elementId: string) => keys[1].includes(elementId);

let host: string;
let folder: string;
let files: string[][];
let pair: PairTalk;
beforeAll(() => {
  folder = workFolder();
  host = buildUsbHost();
  files = [0, 1].map((part) => imageFiles(design, folder, undefined, part));
});
afterEach(() => pair.end());

const start = async (plugged: number | null, loaded = files) => {
  pair = new PairTalk(host, loaded, folder, plugged);
  await pair.pass(20);
};
const move = (elementId: string, isDown: boolean) =>
  pair.parts[isFar(elementId) ? 1 : 0].order(`contact ${contactOf(elementId)} ${isDown ? 1 : 0}`);
/** What a part told a computer of its keyboard, each with its millisecond. */
const told = (part: number) =>
  pair.parts[part].told.flatMap((line) => {
    const [, atMs, bytes] = /^(\d+) keyboard (\w+)$/.exec(line) ?? [];
    return bytes ? [{ atMs: Number(atMs), bytes }] : [];
  });
const last = (part: number) => told(part).at(-1)?.bytes;
const NOTHING = "0".repeat(16);

/** A hand on both halves, a key at a time, so far apart that a report can come for each; and then all let go. */
function hand(seed: number, moves: number): { atMs: number; id: string; isDown: boolean }[] {
  const random = randomFrom(seed);
  const down: string[] = [];
  const all = keys.flat();
  let atMs = 20;
  const deeds = Array.from({ length: moves }, () => {
    atMs += 9 + Math.floor(random() * 12);
    const isRelease = down.length > 0 && (down.length >= 6 || random() < 0.45);
    const id = isRelease ? down[Math.floor(random() * down.length)] : all[Math.floor(random() * all.length)];
    const isDown = !down.includes(id);
    if (isDown) down.push(id);
    else down.splice(down.indexOf(id), 1);
    return { atMs, id, isDown };
  });
  return [...deeds, ...down.map((id) => ({ atMs: (atMs += 15), id, isDown: false }))];
}

/** What a device of one controller tells of the same use. */
function ofOne(deeds: ReturnType<typeof hand>) {
  const one = onOneController();
  const events = deeds.map(({ atMs, id, isDown }): SimulationEvent => ({
    atMs,
    control: controlOf(id),
    end: id,
    action: isDown ? "press" : "release",
  }));
  const run = simulate(one, { events, untilMs: deeds.at(-1)!.atMs + 40 });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return run.value.reports
    .filter((report) => report.interface === "keyboard")
    .map(({ atMs, bytes }) => ({ atMs, bytes: toHex(Uint8Array.from(bytes)) }));
}
const onOneController = () => asOneController(loom);
const controlOf = (elementId: string) => elementId.split(":")[0];

describe("two chips with a finished image each, joined by their serial pins", () => {
  it.each([0, 1])(
    "type what one controller types, with the plug in part %i, no later than is said",
    async (plugged) => {
      await start(plugged);
      const { most } = linkTimes(design);
      for (const seed of [1, 2, 3]) {
        const from = pair.nowMs;
        const before = told(plugged).length;
        const deeds = hand(seed, 40);
        for (const { atMs, id, isDown } of deeds) {
          await pair.pass(from + atMs - pair.nowMs);
          await move(id, isDown);
        }
        await pair.pass(40);
        const expected = ofOne(deeds);
        const now = told(plugged).slice(before);
        expect(expected.length).toBeGreaterThan(30);
        expect(now.map(({ bytes }) => bytes)).toEqual(expected.map(({ bytes }) => bytes));
        const later = now.map(({ atMs }, nth) => atMs - from - expected[nth].atMs);
        expect(Math.min(...later)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...later)).toBeLessThanOrEqual(Math.ceil(most));
      }
      expect(told(1 - plugged)).toEqual([]);
      for (const part of pair.parts) {
        expect(await part.late()).toBe(0);
        const stack = Number((await part.order("stack"))[0]);
        expect(stack).toBeGreaterThan(100);
        const variables = IMAGE_VARIABLE_BYTES[imageFor(design, scanTableOf(design)).id];
        expect(IMAGE_ARENA_BYTES + variables + 2 * stack).toBeLessThan(CHIP_RAM_BYTES);
      }
    },
  );

  it("let far keys go within 20 ms when the line is cut, and tell them anew when it is joined", async () => {
    await start(0);
    const [near, far] = [keys[0][0], keys[1][0]];
    await move(near, true);
    await move(far, true);
    await pair.pass(30);
    const both = last(0);
    const cutMs = pair.nowMs;
    await pair.setLine(true, 0);
    await pair.pass(40);
    const [letGo] = told(0).filter(({ atMs }) => atMs >= cutMs);
    expect(letGo.atMs - cutMs).toBeLessThanOrEqual(20);
    expect(letGo.bytes).not.toBe(both);
    await pair.setLine(false, 0);
    await pair.pass(20);
    expect(last(0)).toBe(both);
    await move(near, false);
    await move(far, false);
    await pair.pass(30);
    expect(last(0)).toBe(NOTHING);
  });

  it("understand nothing of a line that damages every byte", async () => {
    await start(0);
    await pair.setLine(false, 1);
    await pair.pass(30);
    const before = told(0).length;
    await move(keys[1][0], true);
    await pair.pass(60);
    expect(told(0).length).toBe(before);
  });

  it("speak through the part whose computer is awake, and go on with a key that is held", async () => {
    await start(0);
    await move(keys[1][0], true);
    await pair.pass(30);
    const held = last(0);
    await pair.plug(0, false);
    await pair.plug(1, true);
    await pair.pass(40);
    expect(last(1)).toBe(held);
    const before = told(0).length;
    await move(keys[0][0], true);
    await pair.pass(40);
    expect(told(0).length).toBe(before);
    expect(last(1)).not.toBe(held);
    await move(keys[0][0], false);
    await move(keys[1][0], false);
    await pair.pass(40);
    expect(last(1)).toBe(NOTHING);
    // Back again, with nothing held.
    await pair.plug(1, false);
    await pair.plug(0, true);
    await pair.pass(40);
    await move(keys[1][1], true);
    await pair.pass(40);
    expect(last(0)).not.toBe(NOTHING);
    expect(last(1)).toBe(NOTHING);
    await move(keys[1][1], false);
    await pair.pass(40);
    expect(last(0)).toBe(NOTHING);
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])(
    "leave no key down whatever happens to line and plug (%i)",
    async (seed) => {
      const random = randomFrom(seed);
      const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)];
      await start(pick([0, 1]));
      const all = keys.flat();
      const isIn = [false, false];
      isIn[pair.leads] = true;
      const setPlug = async (part: number, on: boolean) => {
        if (isIn[part] !== on) await pair.plug(part, on);
        isIn[part] = on;
      };
      for (let nth = 0; nth < 60; nth++) {
        const what = random();
        if (what < 0.7) await move(pick(all), random() < 0.6);
        else if (what < 0.78) await pair.setLine(true, 0);
        else if (what < 0.86) await pair.setLine(false, 0);
        else if (what < 0.93) await pair.setLine(false, 10);
        else await setPlug(pick([0, 1]), random() < 0.5);
        await pair.pass(1 + Math.floor(random() * 20));
      }
      await pair.setLine(false, 0);
      await setPlug(0, true);
      await setPlug(1, false);
      await pair.pass(60);
      const before = told(0).length;
      for (const id of all) await move(id, false);
      await pair.pass(200);
      expect(told(0).length).toBeGreaterThan(0);
      // What held no key then has told nothing more.
      if (told(0).length > before) expect(last(0)).toBe(NOTHING);
      await move(all[0], true);
      await pair.pass(30);
      const [now] = told(0).slice(-1);
      expect(now.bytes.match(/../g)!.filter((byte) => byte !== "00").length).toBe(1);
      await move(all[0], false);
      await pair.pass(30);
      expect(last(0)).toBe(NOTHING);
    },
  );

  it("do so with the project that is compiled, once for each part", async () => {
    const project = await unpack(design, "firmware-project");
    const built = [0, 1].map((part) => {
      execFileSync("make", ["-C", project, `PART=${part}`], { stdio: "pipe" });
      const [hex, code] = [join(project, `device-${part}.hex`), join(project, `device-${part}.bin`)];
      execFileSync("avr-objcopy", ["-I", "ihex", "-O", "binary", hex, code]);
      return flashFiles(design, project, [{ at: 0, bytes: readFileSync(code) }], part);
    });
    await start(1, built);
    await move(keys[0][0], true);
    await move(keys[1][0], true);
    await pair.pass(30);
    expect(
      last(1)!
        .match(/../g)!
        .filter((byte) => byte !== "00").length,
    ).toBe(2);
    await move(keys[0][0], false);
    await move(keys[1][0], false);
    await pair.pass(30);
    expect(last(1)).toBe(NOTHING);
    expect(told(0)).toEqual([]);
  });
});
