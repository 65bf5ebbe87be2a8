import { afterEach, beforeAll, describe, expect, it } from "vitest";
import { passedOnMs } from "@/core/contract/link";
import { chooseController } from "@/core/edits/pins";
import { scanTableOf } from "@/core/firmware/scanTable";
import { unlockSwitches } from "@/core/firmware/unlock";
import { Conversation } from "@/core/live/conversation";
import { changesInEffect } from "@/core/live/differences";
import type { Change } from "@/core/live/frames";
import { imageFor } from "@/core/image/usb8Images";
import { IMAGE_ARENA_BYTES, IMAGE_VARIABLE_BYTES } from "@/core/image/usb8Memory.generated";
import { toHex } from "@/core/hex";
import type { Transport } from "@/core/loader/transport";
import { keysOf, loom, onTwo } from "../support/twoParts";
import { workFolder } from "./builds";
import { contactsOf } from "./chipWiring";
import { withLive } from "./liveUse";
import { PairTalk } from "./pairTalk";
import { buildUsbHost, imageFiles } from "./usbChip";

const design = withLive(onTwo(chooseController(loom, "small-5v-18")));
const scan = scanTableOf(design);
const contacts = contactsOf(design);
const keys = keysOf(design);
const NOTHING = "0".repeat(16);
/** Of the 8-bit USB class (from memory). */
const CHIP_RAM_BYTES = 2560;

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

const start = async () => {
  pair = new PairTalk(host, files, folder, 0);
  await pair.pass(20);
};
const move = (elementId: string, isDown: boolean) =>
  pair.parts[scan.switches.indexOf(elementId) < scan.parts[0].switches ? 0 : 1].order(
    `contact ${contacts.findIndex((contact) => contact.startsWith(elementId))} ${isDown ? 1 : 0}`,
  );
async function press(elementId: string) {
  await move(elementId, true);
  await pair.pass(30);
  await move(elementId, false);
  await pair.pass(30);
}
/** What a part told its computer of the keyboard from a place on. */
const keyboard = (part: number, from = 0) =>
  pair.parts[part].told.slice(from).flatMap((line) => /keyboard (\w+)$/.exec(line)?.[1] ?? []);
async function unlock() {
  const both = unlockSwitches(scan, design)!;
  for (const id of both) await move(id, true);
  await pair.pass(2100);
  for (const id of both) await move(id, false);
  await pair.pass(50);
}
async function talkTo(part: number): Promise<Conversation> {
  const chip = pair.parts[part];
  const transport: Transport = {
    open: async () => {},
    send: async (bytes) => expect(await chip.order(`set ${toHex(bytes)}`)).toEqual(["taken"]),
    // Time passes for both.
    receive: async (waitMs) => {
      await pair.pass(Math.max(1, Math.ceil(waitMs)));
      return Uint8Array.from(Buffer.from((await chip.order("get"))[0], "hex"));
    },
    close: async () => {},
  };
  return new Conversation(transport, { now: () => pair.nowMs, pause: (ms) => pair.pass(ms) });
}
const change = (elementId: string, usage: number): Change => ({
  layer: 0,
  input: scan.inputs.indexOf(`${elementId}`),
  action: [2, 0, usage, 0],
});
const inputs = [keys[0][2], keys[1][2]];

describe("live changes on two chips with a finished image each", () => {
  it("are kept by the other one too, and make no scan late", async () => {
    await start();
    await unlock();
    const talk = await talkTo(0);
    const changes = [change(inputs[0], 0x14), change(inputs[1], 0x1a)];
    await talk.write(changes, await talk.hello());
    await pair.pass(passedOnMs(2));
    for (const part of pair.parts) expect(await part.late()).toBe(0);
    await pair.plug(0, false);
    await pair.plug(1, true);
    await pair.pass(40);
    const from = pair.parts[1].told.length;
    await press(inputs[0]);
    await press(inputs[1]);
    expect(keyboard(1, from)).toEqual(["0000140000000000", NOTHING, "00001a0000000000", NOTHING]);
    const there = await talkTo(1);
    expect(changesInEffect(await there.read(await there.hello()))).toHaveLength(2);
    for (const part of pair.parts) {
      // It starts anew when the plug comes to it, and looks through what it keeps.
      expect(await part.late()).toBeLessThanOrEqual(1);
      const stack = Number((await part.order("stack"))[0]);
      const variables = IMAGE_VARIABLE_BYTES[imageFor(design, scan).id];
      // Half as much again as the deepest that was seen.
      expect(IMAGE_ARENA_BYTES + variables + 1.5 * stack).toBeLessThan(CHIP_RAM_BYTES);
    }
  });

  it("are not told to a part that another one speaks for, whose own computer is told of no key", async () => {
    await start();
    await pair.plug(1, true);
    await pair.pass(30);
    await unlock();
    const talk = await talkTo(1);
    await expect(talk.write([change(inputs[0], 0x14)], await talk.hello())).rejects.toThrow(/locked/);
    // It starts anew with a key held when the line comes back, and what it then tells its computer is nothing.
    await pair.setLine(true, 0);
    await pair.pass(60);
    await move(keys[1][3], true);
    await pair.pass(30);
    expect(keyboard(1).at(-1)).not.toBe(NOTHING);
    await pair.setLine(false, 0);
    await pair.pass(60);
    expect(keyboard(1).at(-1)).toBe(NOTHING);
    expect(keyboard(0).at(-1)).not.toBe(NOTHING);
  });
});
