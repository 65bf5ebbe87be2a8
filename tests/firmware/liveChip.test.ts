import { afterAll, beforeAll, beforeEach, afterEach, describe, expect, it } from "vitest";
import { finishedPad } from "../support/designs";
import { FRAME_BYTES, STATUS } from "@/core/contract/live";
import { bind } from "@/core/edits/keymap";
import { scanTableOf } from "@/core/firmware/scanTable";
import { unlockSwitches } from "@/core/firmware/unlock";
import { Conversation, LiveRefusal } from "@/core/live/conversation";
import { changesInEffect, compare } from "@/core/live/differences";
import { workFolder } from "./builds";
import { ChipTalk } from "./chipTalk";
import { contactsOf } from "./chipWiring";
import { withLive } from "./liveUse";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles } from "./usbChip";

const design = onSmallClass(withLive(finishedPad()));
const scan = scanTableOf(design);
const contacts = contactsOf(design);
const contactOf = (elementId: string) => contacts.findIndex((contact) => contact.startsWith(`${elementId}`));
const firstKey = scan.switches[0];
const changed = bind(design, "base", scan.inputs[0], { does: "keyboard", usage: 0x14, modifiers: 0 });
const Q_DOWN = "keyboard 0000140000000000";

let host: string;
let args: string[];
let chip: ChipTalk;
let talk: Conversation;
beforeAll(() => {
  const folder = workFolder();
  host = buildUsbHost();
  args = imageFiles(design, folder);
});
beforeEach(async () => {
  chip = new ChipTalk(host, args);
  const transport = chip.transport();
  await transport.open();
  talk = new Conversation(transport, chip.clock);
});
afterEach(() => chip.end());
afterAll(() => chip.end());

const unlock = () =>
  chip.holdTogether(
    unlockSwitches(scan, design)!.map((id) => contactOf(id)),
    2100,
  );
async function send(wanted = changed) {
  const keymap = await talk.read(await talk.hello());
  await talk.write(compare(wanted, keymap).changes!, keymap.hello);
  await chip.pass(10);
}
const reportsOf = async (contact: number) => (await chip.press(contact)).join(" ");

describe("live changes on the simulated chip", () => {
  it("are refused while it is locked, and everything stays", async () => {
    const hello = await talk.hello();
    const before = await reportsOf(contactOf(firstKey));
    await expect(talk.write([], hello)).rejects.toThrow(/locked/);
    expect((await reportsOf(contactOf(firstKey))).replace(/\d+ k/g, "k")).toBe(before.replace(/\d+ k/g, "k"));
  });

  it("are in the next press, outlast the power, and are undone", async () => {
    const loaded = await reportsOf(contactOf(firstKey));
    expect(loaded).not.toContain(Q_DOWN);
    await unlock();
    await send();
    expect(await reportsOf(contactOf(firstKey))).toContain(Q_DOWN);
    await chip.order("off");
    expect(await reportsOf(contactOf(firstKey))).toContain(Q_DOWN);
    const keymap = await talk.read(await talk.hello());
    expect(changesInEffect(keymap)).toHaveLength(1);
    await unlock();
    await talk.write([], keymap.hello);
    await chip.pass(10);
    expect(await reportsOf(contactOf(firstKey))).not.toContain(Q_DOWN);
  });

  it("make no scan late, however many are sent", async () => {
    await unlock();
    const wanted = scan.inputs.reduce(
      (d, id, nth) => bind(d, "base", id, { does: "keyboard", usage: 4 + nth, modifiers: 1 }),
      changed,
    );
    const before = await chip.late();
    await send(wanted);
    expect((await talk.hello()).changes).toBe(scan.inputs.length);
    expect(await chip.late()).toBe(before);
  });

  it("leave the old set or the new one when the power fails at any write of a byte", async () => {
    await unlock();
    await send();
    await chip.order("fails 1");
    const two = bind(changed, "base", scan.inputs[1], { does: "keyboard", usage: 0x15, modifiers: 0 });
    const from = chip.told.length;
    await send(two);
    await chip.order("fails 0");
    const counts = chip.told.slice(from).filter((line) => /^\d$|silent/.test(line));
    // A byte that is already what is written is no change, so a few may be missing.
    expect(counts.length).toBeGreaterThanOrEqual(4 * 18);
    expect([...new Set(counts)].sort()).toEqual(["1", "2"]);
    expect((await talk.hello()).changes).toBe(2);
  });

  it("take no frame of another length, and none while another is worked on", async () => {
    await unlock();
    expect(await chip.order(`set ${"01".repeat(FRAME_BYTES - 1)}`)).toEqual(["stall"]);
    expect(await chip.order(`set 05${"00".repeat(FRAME_BYTES - 1)}`)).toEqual(["taken"]);
    expect(await chip.order(`set 01${"00".repeat(FRAME_BYTES - 1)}`)).toEqual(["stall"]);
    await chip.pass(60);
    const [answer] = await chip.order("get");
    expect(parseInt(answer.slice(4, 6), 16)).toBe(STATUS.OK);
  });

  it("say in words what is refused", async () => {
    await unlock();
    const hello = await talk.hello();
    const outside = { layer: 9, input: 0, action: [2, 0, 4, 0] as [number, number, number, number] };
    await expect(talk.write([outside], hello)).rejects.toThrow(LiveRefusal);
    expect((await talk.hello()).changes).toBe(0);
  });
});
