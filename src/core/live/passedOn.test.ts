import { beforeAll, describe, expect, it } from "vitest";
import { slotsOf, tellSet, unlock } from "../../../tests/support/partTalk";
import { farBoard, keysOf, loom, onTwo } from "../../../tests/support/twoParts";
import { passedOnMs } from "../contract/link";
import { KEPT_BYTES, SEAL, STATUS } from "../contract/live";
import type { Design } from "../document/schema";
import { derive } from "../derived/derive";
import { devicesOf } from "../derived/halves";
import { ownControllerFor } from "../edits/controllers";
import { bind } from "../edits/keymap";
import { bringInlineRuntime } from "../engine/inlineRuntime";
import { deviceOf } from "../engine/preparedDevice";
import { GOOD_LINE } from "../engine/lineTrouble";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { Conversation } from "./conversation";
import { changesInEffect, compare } from "./differences";
import { type Change, slotBytes } from "./frames";
import { StandInDevice } from "./standInDevice";

beforeAll(bringInlineRuntime);

const CUT = { isCut: true, oneDamagedOf: 0 };
const withLive = (plain: Design): Design => ({
  ...plain,
  reportSet: { ...plain.reportSet, interfaces: ["keyboard", "live"] },
});
const split = withLive(onTwo(loom));
/** Unlocked by two keys of one part. */
const unlockedBy = (part: number): Design => ({
  ...split,
  reportSet: {
    ...split.reportSet,
    unlock: keysOf(split)[part].slice(0, 2) as [string, string],
  },
});
/** By keys of the far part, which so can be changed with the line cut. */
const design = unlockedBy(1);
const { inputs } = derive(design);
const plain = scanTableOf(design).inputs.filter((id) => design.keymap.layers[0].bindings[id]?.does === "keyboard");
const [first, second] = [plain[3], plain.at(-3)!];
const elementOf = (input: string) => inputs.find(({ id }) => id === input)!.elementId;
const types = (wanted: Design, input: string, usage: number) =>
  bind(wanted, "base", input, { does: "keyboard", usage, modifiers: 0 });
const asQ = types(design, first, 0x14);
const asQW = types(asQ, second, 0x1a);

class Talked {
  readonly standIn = new StandInDevice(design);
  private readonly transport = this.standIn.transport();
  private readonly talk = new Conversation(this.transport, this.standIn.clock);

  async open() {
    await this.transport.open();
    return this;
  }
  /** Makes the part that the plug is in do so. */
  async tell(wanted: Design) {
    expect(this.standIn.unlock()).toBe(true);
    await this.send(wanted);
  }
  async send(wanted: Design) {
    const keymap = await this.talk.read(await this.talk.hello());
    await this.talk.write(compare(wanted, keymap).changes!, keymap.hello);
    await this.pass(100);
  }
  pass = (ms: number) => this.standIn.clock.pause(ms);
  typed = (input: string) => this.standIn.press(elementOf(input)).typed;
  async kept() {
    return changesInEffect(await this.talk.read(await this.talk.hello())).length;
  }
  hello = () => this.talk.hello();
}

describe("live changes of two parts on a line", () => {
  it("are kept by the part that the plug is not in too, which does the same when the plug comes to it", async () => {
    const device = await new Talked().open();
    const before = device.typed(first);
    expect(before).not.toBe("q");
    await device.tell(asQW);
    expect(device.typed(first)).toBe("q");
    await device.pass(300);
    device.standIn.plugInto(1);
    expect(device.typed(first)).toBe("q");
    expect(device.typed(second)).toBe("w");
    expect(await device.kept()).toBe(2);
    // Back again, and undone from there.
    await device.tell(design);
    await device.pass(300);
    device.standIn.plugInto(0);
    expect(device.typed(first)).toBe(before);
    expect(await device.kept()).toBe(0);
  });

  it("outlast the power in both parts", async () => {
    const device = await new Talked().open();
    await device.tell(asQ);
    await device.pass(300);
    device.standIn.powerCut();
    device.standIn.plugInto(1);
    expect(device.typed(first)).toBe("q");
    device.standIn.powerCut();
    expect(device.typed(first)).toBe("q");
  });

  it("come when the line is joined again: the newer set, whichever part has it", async () => {
    const device = await new Talked().open();
    await device.tell(asQ);
    device.standIn.setLine(CUT);
    device.standIn.plugInto(1);
    expect(await device.kept()).toBe(1);
    for (const wanted of [asQW, design, asQW]) await device.tell(wanted);
    expect((await device.hello()).sequence).toBe(4);
    device.standIn.plugInto(0);
    expect([await device.kept(), (await device.hello()).sequence]).toEqual([1, 1]);
    device.standIn.setLine(GOOD_LINE);
    await device.pass(500);
    expect([await device.kept(), (await device.hello()).sequence]).toEqual([2, 4]);
    expect(device.typed(second)).toBe("w");
    device.standIn.powerCut();
    expect(device.typed(second)).toBe("w");
  });

  it("are not lost because the plug is put into a part that has none", async () => {
    const device = await new Talked().open();
    device.standIn.setLine(CUT);
    device.standIn.plugInto(1);
    await device.tell(asQW);
    device.standIn.plugInto(0);
    expect(await device.kept()).toBe(0);
    device.standIn.setLine(GOOD_LINE);
    await device.pass(500);
    expect(await device.kept()).toBe(2);
  });

  it("are those of the part with the plug where both are equally new, also after the power was off", async () => {
    const device = await new Talked().open();
    device.standIn.setLine(CUT);
    device.standIn.plugInto(1);
    await device.tell(asQ);
    device.standIn.setLine(GOOD_LINE);
    device.standIn.plugInto(0);
    await device.pass(500);
    // Unlocked by keys of the other part, and cut off before it is told.
    device.standIn.unlock();
    device.standIn.setLine(CUT);
    await device.send(design);
    device.standIn.plugInto(1);
    await device.tell(asQW);
    expect((await device.hello()).sequence).toBe(2);
    device.standIn.setLine(GOOD_LINE);
    await device.pass(500);
    for (const part of [0, 1]) {
      device.standIn.plugInto(part);
      expect(await device.kept()).toBe(2);
      device.standIn.powerCut();
      expect(await device.kept()).toBe(2);
    }
  });

  it("wait for a newer set that just comes from the other part", () => {
    const near = unlockedBy(0);
    const device = deviceOf(near, {});
    const pass = (ms: number) => device.runUntil(device.nowMs + ms);
    const one = [{ layer: 0, input: 0, action: [2, 0, 0x14, 0] } as Change];
    pass(60);
    device.plugInto(1);
    pass(60);
    unlock(device, near);
    device.setLine(CUT);
    for (const set of [one, [], one]) expect(tellSet(device, set).at(-1)).toBe(STATUS.OK);
    device.plugInto(0);
    pass(60);
    unlock(device, near);
    device.setLine(GOOD_LINE);
    pass(20);
    expect(tellSet(device, [])).toEqual([STATUS.WAITING, STATUS.WAITING]);
    pass(500);
    const [[near0], [far0]] = slotsOf(device);
    expect(near0).toBe(far0);
    expect(tellSet(device, []).at(-1)).toBe(STATUS.OK);
    pass(500);
    expect(slotsOf(device).map(([newest]) => newest.slice(0, 4))).toEqual(["0400", "0400"]);
  });

  it.each([0, 1])("go on from %i to a part without any, whatever their number is", (from) => {
    const tables = tableBytes(scanTableOf(design), design);
    const crc = tables.at(-2)! | (tables.at(-1)! << 8);
    const one: Change = { layer: 0, input: 0, action: [2, 0, 0x14, 0] };
    const kept = new Uint8Array(2 * KEPT_BYTES).fill(0xff);
    kept.set(slotBytes(SEAL, 0x9000, crc, [one]), from * KEPT_BYTES);
    const device = deviceOf(design, {}, null, kept);
    expect(slotsOf(device)[from]).toHaveLength(1);
    device.runUntil(500);
    const [[near], [far]] = slotsOf(device);
    expect(near.slice(0, 4)).toBe("0090");
    expect(far).toBe(near);
  });

  it("come though somebody types all the while, which takes some rounds more", async () => {
    const device = await new Talked().open();
    const many = plain.slice(0, 24).reduce((wanted, id, nth) => types(wanted, id, 4 + nth), design);
    await device.tell(many);
    const count = await device.kept();
    // A contact that settles keeps the other part from writing for 5 ms of each 6.
    const far = keysOf(design)[1]
      .slice(4, 6)
      .map((id) => plain.find((input) => elementOf(input) === id)!);
    for (let nth = 0; nth < 60; nth++) device.typed(far[nth % 2]);
    device.standIn.plugInto(1);
    expect(count).toBeGreaterThan(20);
    expect(await device.kept()).toBe(count);
  });

  it("come over a line that damages a byte of two hundred", async () => {
    const device = await new Talked().open();
    device.standIn.unlock();
    device.standIn.setLine({ isCut: false, oneDamagedOf: 200 });
    await device.send(asQW);
    await device.pass(1500);
    device.standIn.setLine(GOOD_LINE);
    device.standIn.plugInto(1);
    expect(await device.kept()).toBe(2);
  });

  it("are all there within the time that is said, as many as fit", async () => {
    const device = await new Talked().open();
    const many = plain.slice(0, 60).reduce((wanted, id, nth) => types(wanted, id, 4 + (nth % 26)), design);
    const count = await device.tell(many).then(() => device.kept());
    expect(count).toBeGreaterThan(40);
    await device.pass(passedOnMs(count));
    device.standIn.plugInto(1);
    expect(await device.kept()).toBe(count);
  });
});

describe("live changes of parts that are devices of their own", () => {
  const apart = ownControllerFor(withLive(loom), farBoard(loom), loom.controllers[0].profileId, "plug");
  it.each([0, 1])("go to the one that is connected, by what it was loaded with (%i)", async (nth) => {
    const device = new StandInDevice(devicesOf(apart)[nth]);
    const transport = device.transport();
    await transport.open();
    const talk = new Conversation(transport, device.clock);
    const keymap = await talk.read(await talk.hello());
    expect(compare(apart, keymap)).toEqual({ differences: [], changes: [], refusal: null });
    const ids = keysOf(split).map(([element]) => inputs.find(({ elementId }) => elementId === element)!.id);
    const [own, other] = [ids[nth], ids[1 - nth]];
    expect(compare(types(apart, other, 0x14), keymap).differences).toEqual([]);
    const { differences, changes } = compare(types(apart, own, 0x14), keymap);
    expect(differences.map(({ inputId }) => inputId)).toEqual([own]);
    expect(changes).toHaveLength(1);
  });
});
