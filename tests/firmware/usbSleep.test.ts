import { spawnSync } from "node:child_process";
import { afterEach, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { finishedPad } from "../support/designs";
import type { Binding } from "@/core/bindings";
import { addControl } from "@/core/edits/controls";
import { bind, setLampRule } from "@/core/edits/keymap";
import { shareOutDirect } from "@/core/edits/wiring";
import { BOARD_AT, BOARD_ENTRY_BYTES } from "@/core/contract/board";
import { scanTableOf } from "@/core/firmware/scanTable";
import { imageFor } from "@/core/image/usb8Images";
import { crc16 } from "@/core/contract/crc16";
import { workFolder } from "./builds";
import { ChipTalk } from "./chipTalk";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles } from "./usbChip";

const design = onSmallClass(finishedPad());
const ALLOW_WAKING = "setup 0003010000000000";
const FORBID_WAKING = "setup 0001010000000000";
let host: string;
let args: string[];
let chip: ChipTalk;
beforeAll(() => {
  const folder = workFolder();
  host = buildUsbHost();
  args = imageFiles(design, folder);
});
beforeEach(() => {
  chip = new ChipTalk(host, args);
});
afterEach(() => chip.end());

const reports = (lines: string[]) => lines.filter((line) => line.includes(" keyboard "));
async function pressAsleep(): Promise<string[]> {
  await chip.order("suspend");
  await chip.pass(5);
  await chip.order("contact 0 1");
  return reports(await chip.pass(30));
}
async function resume(): Promise<string[]> {
  await chip.order("resume");
  return reports(await chip.pass(20));
}

describe("a device whose computer sleeps", () => {
  it("sends nothing, calls the computer when it may, and tells the press once the bus runs again", async () => {
    await chip.order(ALLOW_WAKING);
    expect(await pressAsleep()).toEqual([]);
    expect(await chip.order("woken")).toEqual(["yes"]);
    expect(await resume()).toHaveLength(1);
    await chip.order("contact 0 0");
    expect(reports(await chip.pass(30))).toHaveLength(1);
  });

  it.each([
    ["when it was never allowed", []],
    ["when it was forbidden again", [ALLOW_WAKING, FORBID_WAKING]],
  ])("does not call the computer %s", async (_when, orders) => {
    for (const order of orders) await chip.order(order);
    expect(await pressAsleep()).toEqual([]);
    expect(await chip.order("woken")).toEqual(["no"]);
    expect(await resume()).toHaveLength(1);
  });

  it("does not call the computer while nothing is to be told", async () => {
    await chip.order(ALLOW_WAKING);
    await chip.order("suspend");
    await chip.pass(100);
    expect(await chip.order("woken")).toEqual(["no"]);
  });
});

describe("a pointer whose computer sleeps", () => {
  const pad = finishedPad();
  const [first] = pad.controls.map(({ id }) => `${id}:press`);
  const pointing = (binding: Binding) =>
    onSmallClass({
      ...bind(pad, "base", first, binding),
      reportSet: { ...pad.reportSet, interfaces: ["keyboard", "pointer"] },
    });
  const asleep = async (binding: Binding) => {
    await chip.end();
    chip = new ChipTalk(host, imageFiles(pointing(binding), workFolder()));
    await chip.order(ALLOW_WAKING);
    const lines = await pressAsleep();
    return { lines, woken: await chip.order("woken") };
  };

  it("is not woken by a movement, which is forgotten", async () => {
    const { woken } = await asleep({ does: "pointer-move", direction: "left", speed: 100, rampMs: 0 });
    expect(woken).toEqual(["no"]);
    await chip.order("contact 0 0");
    await chip.pass(20);
    await chip.order("resume");
    expect((await chip.pass(20)).filter((line) => line.includes(" pointer "))).toEqual([]);
  });

  it("is woken by a button, which is told then", async () => {
    const { woken } = await asleep({ does: "pointer-button", button: 0 });
    expect(woken).toEqual(["yes"]);
    await chip.order("resume");
    expect((await chip.pass(20)).filter((line) => line.includes(" pointer "))).toHaveLength(1);
  });
});

describe("music whose computer sleeps", () => {
  it("does not wake it, and is told once the bus runs again", async () => {
    const pad = finishedPad();
    const [first] = pad.controls.map(({ id }) => `${id}:press`);
    const bound = bind(pad, "base", first, { does: "note", note: 60, velocity: 96, channel: 0 });
    const playing = onSmallClass({ ...bound, reportSet: { ...pad.reportSet, interfaces: ["keyboard", "music"] } });
    await chip.end();
    chip = new ChipTalk(host, imageFiles(playing, workFolder()));
    await chip.order(ALLOW_WAKING);
    const music = (lines: string[]) => lines.filter((line) => line.includes(" music ")).map((line) => line.slice(-8));
    await chip.order("suspend");
    await chip.pass(5);
    await chip.order("contact 0 1");
    expect(music(await chip.pass(30))).toEqual([]);
    expect(await chip.order("woken")).toEqual(["no"]);
    await chip.order("resume");
    expect(music(await chip.pass(20))).toEqual(["09903c60"]);
    await chip.order("contact 0 0");
    expect(music(await chip.pass(20))).toEqual(["08803c40"]);
  });
});

/** The board block's endpoint table spoilt, and its CRC right again. */
function spoilt(change: (block: Uint8Array, table: number) => void): string[] {
  const folder = workFolder();
  const { boardAt, tablesAt } = imageFor(design, scanTableOf(design));
  return imageFiles(design, folder, (flash) => {
    const block = flash.subarray(boardAt, tablesAt);
    const wordAt = (at: number) => block[at] | (block[at + 1] << 8);
    change(block, wordAt(BOARD_AT.REPORT_TABLE));
    const end = wordAt(BOARD_AT.LENGTH) - 2;
    const crc = crc16(block.subarray(0, end));
    block.set([crc & 0xff, crc >> 8], end);
  });
}

const fallingOrder = (block: Uint8Array, table: number) => {
  block[table + 1] = 2;
  block[table + BOARD_ENTRY_BYTES.REPORT + 1] = 1;
};

describe("the harness", () => {
  it.each<[string, (block: Uint8Array, table: number) => void, RegExp]>([
    ["endpoints that are set up in falling order", fallingOrder, /endpoint 1 after endpoint 2: memory slides/],
    [
      "packets that are larger than their place",
      (block, table) => (block[table + 3] = 0x72),
      /1104 bytes of packets; the chip has 832/,
    ],
    ["an endpoint in the wrong direction", (block, table) => (block[table + 2] = 0xc0), /is set up as c0/],
  ])("notices %s", (_what, change, words) => {
    const { status, stderr } = spawnSync(host, spoilt(change), { input: "", encoding: "utf8" });
    expect(status).toBe(4);
    expect(stderr).toMatch(words);
  });
});

describe("what is lit while the computer sleeps", () => {
  const at = { xMm: 80, yMm: 0, rotationDeg: 0, boardId: "panel" };
  const lit = onSmallClass(
    setLampRule(shareOutDirect(addControl(finishedPad(), "lamp", "lamp", at)), "lamp", { when: "always" }),
  );
  const lamps = (lines: string[]) => lines.filter((line) => line.includes(" lamp ")).map((line) => line.slice(-1));

  it("is dark on the chip from then on, and lit again once the bus runs", async () => {
    await chip.end();
    chip = new ChipTalk(host, imageFiles(lit, workFolder()));
    expect(lamps(await chip.pass(20))).toEqual(["1"]);
    await chip.order("suspend");
    expect(lamps(await chip.pass(20))).toEqual(["0"]);
    await chip.order("resume");
    expect(lamps(await chip.pass(20))).toEqual(["1"]);
  });
});
