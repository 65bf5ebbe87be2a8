import { beforeEach, describe, expect, it } from "vitest";
import { finishedPad, wiredDemos } from "../../../tests/support/designs";
import { bind } from "../edits/keymap";
import { crc16 } from "../contract/crc16";
import { AT } from "../contract/contract";
import {
  COMMAND,
  FRAME_AT,
  FRAME_BYTES,
  HELLO_AT,
  KEPT_BYTES,
  MOST_CHANGES,
  SEAL,
  SLOT_BYTES,
  STATUS,
} from "../contract/live";
import type { Design } from "../document/schema";
import { BANKS, startRuntime } from "../engine/runtime";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { unlockSwitches } from "../firmware/unlock";
import { Conversation, type LiveRefusal } from "./conversation";
import { changesInEffect, compare, isSame, shortOf } from "./differences";
import { type Change, frameOf, slotBytes, writeQuestions } from "./frames";
import { StandInDevice } from "./standInDevice";

const withLive = (design: Design): Design => ({
  ...design,
  reportSet: { ...design.reportSet, interfaces: [...new Set([...design.reportSet.interfaces, "live" as const])] },
});
const pad = withLive(finishedPad());
const scan = scanTableOf(pad);
const [firstKey, secondKey] = scan.switches;
const inputOf = (elementId: string) => scan.inputs[scan.switches.indexOf(elementId)];
const LETTER_Q = 0x14;
const changed = bind(pad, "base", inputOf(firstKey), { does: "keyboard", usage: LETTER_Q, modifiers: 0 });

let device: StandInDevice;
let talk: Conversation;
beforeEach(async () => {
  device = new StandInDevice(pad);
  const transport = device.transport();
  await transport.open();
  talk = new Conversation(transport, device.clock);
});

const readAll = async () => talk.read(await talk.hello());
async function send(design: Design) {
  const keymap = await readAll();
  const { changes } = compare(design, keymap);
  await talk.write(changes!, keymap.hello);
  await device.clock.pause(5);
}
const status = async (doing: Promise<unknown>) =>
  doing.then(
    () => STATUS.OK,
    (problem) => (problem as LiveRefusal).status,
  );

describe("a device that is asked", () => {
  it("says who it is and how it stands", async () => {
    const bytes = tableBytes(scan, pad);
    const unlock = unlockSwitches(scan, pad)!.map((id) => scan.switches.indexOf(id));
    expect(await talk.hello()).toMatchObject({
      layers: pad.keymap.layers.length,
      inputs: scan.inputs.length,
      tablesCrc: crc16(bytes.slice(0, -2)),
      changes: 0,
      sequence: 0,
      isUnlocked: false,
      isWaiting: false,
      forgets: false,
      unlock,
    });
  });

  it("tells its keymap, which is the design's", async () => {
    const { differences, changes, refusal } = compare(pad, await readAll());
    expect({ differences, changes, refusal }).toEqual({ differences: [], changes: [], refusal: null });
  });

  it("is locked until its two keys were held, and again after two minutes", async () => {
    const hello = await talk.hello();
    expect(await status(talk.write([], hello))).toBe(STATUS.LOCKED);
    device.unlock();
    expect((await talk.hello()).openSeconds).toBe(120);
    await device.clock.pause(119_000);
    expect((await talk.hello()).isUnlocked).toBe(true);
    await device.clock.pause(1_500);
    expect(await status(talk.write([], hello))).toBe(STATUS.LOCKED);
  });

  it("stays unlocked for two minutes from the last change on", async () => {
    device.unlock();
    await device.clock.pause(110_000);
    await talk.write([], await talk.hello());
    await device.clock.pause(110_000);
    expect((await talk.hello()).isUnlocked).toBe(true);
  });

  it("is not unlocked by two keys held shorter than two seconds, nor by one of them", async () => {
    const [first, second] = unlockSwitches(scan, pad)!;
    device.hold(first, true);
    device.hold(second, true);
    await device.clock.pause(1_800);
    device.hold(second, false);
    await device.clock.pause(4_000);
    device.hold(first, false);
    expect((await talk.hello()).isUnlocked).toBe(false);
  });
});

describe("a changed keymap", () => {
  it("shows as a difference before it is sent, and is in the next press afterwards", async () => {
    const before = compare(changed, await readAll());
    expect(before.differences).toEqual([
      expect.objectContaining({
        inputId: inputOf(firstKey),
        inDesign: { does: "keyboard", usage: LETTER_Q, modifiers: 0 },
      }),
    ]);
    expect(device.press(firstKey).typed).not.toBe("q");
    device.unlock();
    await send(changed);
    expect(device.press(firstKey).typed).toBe("q");
    expect(compare(changed, await readAll()).differences).toEqual([]);
    expect(compare(pad, await readAll()).differences).toHaveLength(1);
  });

  it("outlasts the power", async () => {
    device.unlock();
    await send(changed);
    device.powerCut();
    expect(device.press(firstKey).typed).toBe("q");
    expect(await talk.hello()).toMatchObject({ changes: 1, sequence: 1, isUnlocked: false });
  });

  it("is undone by the set before, and by an empty one", async () => {
    const asLoaded = device.press(firstKey);
    device.unlock();
    const before = changesInEffect(await readAll());
    await send(changed);
    const between = await readAll();
    expect(changesInEffect(between)).toHaveLength(1);
    await talk.write(before, between.hello);
    await device.clock.pause(5);
    expect(device.press(firstKey)).toEqual(asLoaded);
    expect(await talk.hello()).toMatchObject({ changes: 0, sequence: 2 });
  });

  it("waits until nothing is held, and the held key ends as it began", async () => {
    device.unlock();
    const asLoaded = device.press(firstKey);
    device.hold(secondKey, true);
    await send(changed);
    expect((await talk.hello()).isWaiting).toBe(true);
    expect(device.press(firstKey)).toEqual(asLoaded);
    expect(await status(talk.write([], await talk.hello()))).toBe(STATUS.WAITING);
    device.hold(secondKey, false);
    expect((await talk.hello()).isWaiting).toBe(false);
    expect(device.press(firstKey).typed).toBe("q");
  });

  it("does not reach a device with other contacts, layers or times", async () => {
    const slower = { ...changed, timing: { ...changed.timing, pulseMs: changed.timing.pulseMs + 1 } };
    expect(compare(slower, await readAll())).toMatchObject({
      changes: null,
      refusal: expect.stringMatching(/load it again/),
    });
  });
});

describe("what is refused", () => {
  const ask = (question: Parameters<typeof frameOf>[0]) =>
    status((talk as unknown as { ask(q: typeof question): Promise<unknown> }).ask(question));
  beforeEach(() => device.unlock());

  it.each<[string, Parameters<typeof frameOf>[0], number]>([
    ["a command that there is not", { command: 99 }, STATUS.UNKNOWN],
    ["command 0", { command: 0 }, STATUS.UNKNOWN],
    ["more changes than a slot holds", { command: COMMAND.BEGIN, count: MOST_CHANGES + 1 }, STATUS.TOO_MANY],
    ["changes without a beginning", { command: COMMAND.WRITE, count: 1 }, STATUS.OUT_OF_TURN],
    ["an end without a beginning", { command: COMMAND.FINISH }, STATUS.OUT_OF_TURN],
    ["a layer that is not there", { command: COMMAND.READ_ACTIVE, first: 99, count: 1 }, STATUS.UNSOUND],
    ["inputs that are not there", { command: COMMAND.READ_LOADED, count: 2, payload: [253] }, STATUS.UNSOUND],
    ["more than a frame holds", { command: COMMAND.READ_LOADED, count: 15 }, STATUS.UNSOUND],
    ["sensors that are not there", { command: COMMAND.READ_SENSORS, count: 1 }, STATUS.UNSOUND],
    ["more sensors than a frame holds", { command: COMMAND.READ_SENSORS, count: 29 }, STATUS.UNSOUND],
    ["a pool that is not there", { command: COMMAND.READ_POOL, count: 1, payload: [0xff, 0xff] }, STATUS.UNSOUND],
  ])("%s", async (_what, question, told) => {
    expect(await ask(question)).toBe(told);
  });

  const key = (layer: number, input: number, action: Change["action"] = [2, 0, 4, 0]): Change => ({
    layer,
    input,
    action,
  });
  it.each<[string, Change[]]>([
    ["a layer that is not there", [key(9, 0)]],
    ["an input that is not there", [key(0, scan.inputs.length)]],
    ["an action that is not there", [key(0, 0, [77, 0, 0, 0])]],
    ["holding a layer that is not there", [key(0, 0, [4, 0, 9, 0])]],
    ["a longer action outside the pool", [key(0, 0, [0x7f, 0, 0xff, 0xff])]],
    ["the same input twice", [key(0, 1), key(0, 1)]],
    ["changes out of order", [key(0, 2), key(0, 1)]],
  ])("a set with %s, and the one before stays", async (_what, changes) => {
    await send(changed);
    const { hello } = await readAll();
    for (const question of writeQuestions(changes, hello).slice(0, -1)) expect(await ask(question)).toBe(STATUS.OK);
    expect(await ask(writeQuestions(changes, hello).at(-1)!)).toBe(STATUS.UNSOUND);
    expect(device.press(firstKey).typed).toBe("q");
  });

  it("a set whose CRC is another's, one that is not whole, and frames in another order", async () => {
    const { hello } = await readAll();
    const [begin, write, finish] = writeQuestions([key(0, 0), key(0, 1)], hello);
    const otherCrc = { ...finish, payload: [finish.payload![0] ^ 1, finish.payload![1]] };
    expect([await ask(begin), await ask(write), await ask(otherCrc)]).toEqual([STATUS.OK, STATUS.OK, STATUS.TORN]);
    expect([await ask(begin), await ask(finish)]).toEqual([STATUS.OK, STATUS.OUT_OF_TURN]);
    expect([await ask(begin), await ask({ ...write, first: 1 })]).toEqual([STATUS.OK, STATUS.OUT_OF_TURN]);
    expect([await ask(begin), await ask({ ...write, count: 3 })]).toEqual([STATUS.OK, STATUS.OUT_OF_TURN]);
    expect((await talk.hello()).changes).toBe(0);
  });
});

describe("as many changes as a slot holds", () => {
  const large = withLive(finishedPad());
  const layers = Array.from({ length: 12 }, (_, nth) => ({ id: `l${nth}`, name: `L${nth}`, bindings: {} }));
  const many: Design = { ...large, keymap: { ...large.keymap, layers: [...large.keymap.layers, ...layers] } };
  const full = (count: number): Design => {
    let left = count;
    const filled = layers.map((layer) => ({
      ...layer,
      bindings: Object.fromEntries(
        scanTableOf(many)
          .inputs.filter(() => left-- > 0)
          .map((id, nth) => [id, { does: "keyboard" as const, usage: 4 + (nth % 26), modifiers: 0 }]),
      ),
    }));
    return { ...many, keymap: { ...many.keymap, layers: [...large.keymap.layers, ...filled] } };
  };

  it("are taken, and one more is refused in words", async () => {
    const here = new StandInDevice(many);
    const transport = here.transport();
    await transport.open();
    const speak = new Conversation(transport, here.clock);
    here.unlock();
    const keymap = await speak.read(await speak.hello());
    const comparison = compare(full(MOST_CHANGES), keymap);
    expect(comparison.changes).toHaveLength(MOST_CHANGES);
    await speak.write(comparison.changes!, keymap.hello);
    await here.clock.pause(5);
    expect(compare(full(MOST_CHANGES), await speak.read(await speak.hello())).differences).toEqual([]);
    expect(compare(full(MOST_CHANGES + 1), keymap)).toMatchObject({
      changes: null,
      refusal: `${MOST_CHANGES + 1} inputs would do otherwise than they were loaded, and the device keeps ${MOST_CHANGES} changes: load it again.`,
    });
  });
});

describe("longer actions", () => {
  // No binding of today is longer than an entry, so a block is given a pool by hand: one that types Q and has a tail.
  const pool = [9, 9, 2, 0, LETTER_Q, 0, 1];
  const long = { kind: 2, modifiers: 0, value: LETTER_Q, more: [1] };

  it("are known in the device's pool, or cannot be sent", () => {
    expect(shortOf(long, pool)).toEqual([0x7f, 0, 2, 0]);
    expect(shortOf({ ...long, more: [6] }, pool)).toBeNull();
    expect(shortOf({ ...long, more: [1, 1] }, pool)).toBeNull();
    expect(isSame([0x7f, 0, 2, 0], long, pool)).toBe(true);
    expect(isSame([0x7f, 0, 1, 0], long, pool)).toBe(false);
    expect(isSame([2, 0, LETTER_Q, 0], long, pool)).toBe(false);
  });

  it("are taken as references into the pool, within it only", () => {
    const whole = [...tableBytes(scan, pad).slice(0, -2), ...pool];
    const length = whole.length + 2;
    whole.splice(AT.LENGTH, 2, length & 0xff, length >> 8);
    const crc = crc16(whole);
    const block = Uint8Array.from([...whole, crc & 0xff, crc >> 8]);
    const group = scan.groups.find(({ cells }) => cells.includes(0))!;
    const line = group.cells.indexOf(0);
    const told = (place: number) => {
      const kept = new Uint8Array(KEPT_BYTES).fill(0xff);
      kept.set(slotBytes(SEAL, 1, crc, [{ layer: 0, input: 0, action: [0x7f, 0, place, 0] }]));
      const reports: number[] = [];
      const runtime = startRuntime(
        block,
        { report: (_, bytes) => reports.push(bytes[2]) > 0, lamp: () => {}, lights: () => {} },
        kept,
      );
      runtime.answers[(group.strobe === null ? 0 : group.strobe + 1) * BANKS + group.bank] &= ~(1 << line);
      for (let ms = 0; ms < 50; ms++) runtime.scan(1);
      runtime.ask(frameOf({ command: COMMAND.READ_POOL, count: 7 }, 1));
      runtime.answers.fill(0xffff);
      for (let ms = 0; ms < 50; ms++) runtime.scan(1);
      const answer = [...runtime.answered()!];
      runtime.ask(frameOf({ command: COMMAND.HELLO }, 2));
      runtime.scan(1);
      return {
        has: reports.includes(LETTER_Q),
        pool: answer.slice(FRAME_AT.PAYLOAD, FRAME_AT.PAYLOAD + 7),
        changes: runtime.answered()![HELLO_AT.CHANGES],
      };
    };
    expect(told(2)).toEqual({ has: true, pool, changes: 1 });
    // What begins in the pool's last byte would end outside it.
    expect(told(6)).toEqual({ has: false, pool, changes: 0 });
  });
});

describe("power that fails", () => {
  const bytes = tableBytes(scan, pad);
  const crc = crc16(bytes.slice(0, -2));
  const quiet = { report: () => true, lamp: () => {}, lights: () => {} };
  const oldSet: Change[] = [{ layer: 0, input: 0, action: [2, 0, LETTER_Q, 0] }];
  const newSet: Change[] = [0, 1, 2].map((input) => ({ layer: 0, input, action: [2, 0, LETTER_Q + 1, 0] }));
  const keptWith = (...slots: number[][]) => {
    const kept = new Uint8Array(KEPT_BYTES).fill(0xff);
    slots.forEach((slot, nth) => kept.set(slot, 448 * nth));
    return kept;
  };
  /** How many changes are in effect on a device that starts with this. */
  function inEffect(kept: Uint8Array): number {
    const runtime = startRuntime(bytes, quiet, kept);
    runtime.ask(frameOf({ command: COMMAND.HELLO }, 1));
    runtime.scan(1);
    return runtime.answered()![HELLO_AT.CHANGES];
  }

  it("in any byte of a new set, left as it was or as anything, leaves the old set or the new one", () => {
    const runtime = startRuntime(bytes, quiet, keptWith(slotBytes(SEAL, 7, crc, oldSet), slotBytes(SEAL, 6, crc, [])));
    // Both unlocking switches closed: their lines read low.
    runtime.answers.fill(0);
    for (let ms = 0; ms < 2200; ms++) runtime.scan(1);
    runtime.answers.fill(0xffff);
    for (let ms = 0; ms < 100; ms++) runtime.scan(1);
    const seen = new Set<number>();
    const sealed: boolean[] = [];
    let writes = 0;
    const step = () => {
      const before = runtime.kept.slice();
      runtime.scan(1);
      const at = before.findIndex((byte, nth) => byte !== runtime.kept[nth]);
      if (at < 0) return;
      writes++;
      sealed.push(runtime.kept[SLOT_BYTES.KEYMAP] === SEAL);
      for (const garbage of [before[at], runtime.kept[at], 0xff, 0x00, SEAL, before[at] & runtime.kept[at]]) {
        const torn = before.slice();
        torn[at] = garbage;
        seen.add(inEffect(torn));
      }
    };
    for (const [nth, question] of writeQuestions(newSet, { sequence: 7, tablesCrc: crc }).entries()) {
      expect(runtime.ask(frameOf(question, nth + 1))).toBe(true);
      while (runtime.answered()![FRAME_AT.STATUS] === STATUS.WORKING) step();
      expect(runtime.answered()![FRAME_AT.STATUS]).toBe(STATUS.OK);
    }
    step();
    expect(writes).toBeGreaterThan(15);
    expect(sealed.filter(Boolean)).toHaveLength(1);
    expect(sealed.at(-1)).toBe(true);
    expect([...seen].sort()).toEqual([1, 3]);
    expect(inEffect(runtime.kept)).toBe(3);
  });

  it.each<[string, Uint8Array, number]>([
    ["nothing kept", keptWith(), 0],
    ["a slot that is not sealed", keptWith(slotBytes(0xff, 1, crc, oldSet)), 0],
    ["a slot of other tables", keptWith(slotBytes(SEAL, 1, crc ^ 1, oldSet)), 0],
    ["the newer of two", keptWith(slotBytes(SEAL, 1, crc, oldSet), slotBytes(SEAL, 2, crc, newSet)), 3],
    [
      "the newer where sequences run round",
      keptWith(slotBytes(SEAL, 0, crc, oldSet), slotBytes(SEAL, 0xffff, crc, newSet)),
      1,
    ],
    ["a newer one of other tables", keptWith(slotBytes(SEAL, 1, crc, oldSet), slotBytes(SEAL, 2, crc ^ 1, newSet)), 1],
    ["sealed rubbish", keptWith(Array.from({ length: 448 }, () => SEAL)), 0],
    [
      "an unsound change with a right CRC",
      keptWith(slotBytes(SEAL, 1, crc, [{ layer: 15, input: 0, action: [2, 0, 4, 0] }])),
      0,
    ],
  ])("starts with %s", (_what, kept, changes) => expect(inEffect(kept)).toBe(changes));

  it("starts with the older set when any bit of the newer is wrong", () => {
    const newer = slotBytes(SEAL, 2, crc, newSet);
    for (let bit = 0; bit < 8 * newer.length; bit++) {
      const kept = keptWith(slotBytes(SEAL, 1, crc, oldSet), newer);
      kept[448 + (bit >> 3)] ^= 1 << (bit & 7);
      expect({ bit, changes: inEffect(kept) }).toEqual({ bit, changes: 1 });
    }
  });
});

it("a device without live changes gives no frame", () => {
  const without: Design = { ...pad, reportSet: { ...pad.reportSet, interfaces: ["keyboard", "consumer"] } };
  const runtime = startRuntime(tableBytes(scan, without), { report: () => true, lamp: () => {}, lights: () => {} });
  expect(runtime.answered()).toBeNull();
  expect(runtime.ask(new Uint8Array(FRAME_BYTES))).toBe(false);
});

describe("sensors of a device", () => {
  it("are told as they stand, also to a device that is locked, and by two who ask at once", async () => {
    const kestrel = wiredDemos.find(({ id }) => id === "kestrel")!;
    const withLive = {
      ...kestrel,
      reportSet: { ...kestrel.reportSet, interfaces: [...kestrel.reportSet.interfaces, "live" as const] },
    };
    const there = new StandInDevice(withLive);
    const transport = there.transport();
    await transport.open();
    const own = new Conversation(transport, there.clock);
    const { sensors } = scanTableOf(withLive);
    expect(await own.hello()).toMatchObject({ isUnlocked: false });
    // At rest a stick stands in the middle of its track; no reading of ten bits is finer than 64.
    for (const reading of await own.sensors(sensors.length)) expect(Math.abs(reading - 32768)).toBeLessThan(1200);
    expect(there.move(sensors[0], 1)).toBe(true);
    await there.clock.pause(100);
    const [first, again] = await Promise.all([own.sensors(sensors.length), own.sensors(1)]);
    expect(first[0]).toBeGreaterThan(55_000);
    expect(again).toEqual([first[0]]);
    expect(Math.abs(first[1] - 32768)).toBeLessThan(1200);
    await expect(own.sensors(sensors.length + 1)).rejects.toThrow(/fewer sticks, pots and levers than the design/);
  });
});
