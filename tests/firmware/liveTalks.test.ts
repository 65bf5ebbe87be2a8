import { beforeAll, describe, expect, it } from "vitest";
import { STATUS, FRAME_AT } from "@/core/contract/live";
import { toHex } from "@/core/hex";
import { finishedPad, wiredDemos } from "../support/designs";
import { workFolder } from "./builds";
import { ChipTalk } from "./chipTalk";
import { contactsOf } from "./chipWiring";
import { talkWildly, withLive, withRoom } from "./liveUse";
import { onSmallClass } from "./onSmallClass";
import { buildUsbHost, imageFiles } from "./usbChip";

/** Wild talks of some twenty seconds each. */
const TALKS = 5;
/** So often a frame is asked for again before the chip is taken for mute. */
const PATIENCE = 30;

interface Order {
  atMs: number;
  line: string;
}

/** What a hand and a host do to the simulated device in a wild talk, and all that it says, without its times. */
async function record(design: Parameters<typeof talkWildly>[0], seed: number) {
  const numbers = new Map(contactsOf(design).map((contact, number) => [contact, number]));
  const orders: Order[] = [];
  const said: string[] = [];
  const endMs = await talkWildly(design, seed, {
    contact: (atMs, contact, closed) =>
      orders.push({ atMs, line: `contact ${numbers.get(contact)} ${closed ? 1 : 0}` }),
    host: (atMs, what) => what === "off" && orders.push({ atMs, line: "off" }),
    asked: (atMs, frame) => orders.push({ atMs, line: `set ${toHex(frame)}` }),
    answered: (atMs, frame) => {
      orders.push({ atMs, line: "get" });
      said.push(`live ${toHex(frame)}`);
    },
    report: ({ interface: name, bytes }) => said.push(`${name} ${toHex(bytes)}`),
  });
  return { orders: [...orders, { atMs: endMs, line: "" }], said };
}

const isWorking = (hex: string) =>
  parseInt(hex.slice(2 * FRAME_AT.STATUS, 2 * FRAME_AT.STATUS + 2), 16) === STATUS.WORKING;

async function answerOf(chip: ChipTalk): Promise<string[]> {
  const lines: string[] = [];
  for (let asked = 0; asked < PATIENCE; asked++) {
    const [frame] = await chip.order("get");
    if (!isWorking(frame)) return [...lines, `live ${frame}`];
    lines.push(...(await chip.pass(1)));
  }
  return [...lines, "mute"];
}

async function play(chip: ChipTalk, orders: Order[]): Promise<string[]> {
  const said: string[] = [];
  let nowMs = 0;
  for (const { atMs, line } of orders) {
    if (atMs > nowMs) said.push(...(await chip.pass(atMs - nowMs)));
    nowMs = atMs;
    if (line === "get") said.push(...(await answerOf(chip)));
    else if (line.startsWith("set")) expect(await chip.order(line)).toEqual(["taken"]);
    else if (line) said.push(...(await chip.order(line)));
  }
  return said.filter((line) => !/ (lamp|lights) /.test(line)).map((line) => line.replace(/^\d+ /, ""));
}

const kestrel = wiredDemos.find(({ id }) => id === "kestrel")!;

describe.each([
  ["the pad", finishedPad()],
  ["Kestrel", kestrel],
])(`%s in ${TALKS} wild talks of live changes on the simulated chip`, (_, plain) => {
  const design = onSmallClass(withLive(withRoom(plain)));
  let host: string;
  let args: string[];
  beforeAll(() => {
    const folder = workFolder();
    host = buildUsbHost();
    args = imageFiles(design, folder);
  });

  it.each(Array.from({ length: TALKS }, (__, nth) => nth + 1))(
    "answers and reports as simulated, in the same order (seed %d)",
    async (seed) => {
      const { orders, said } = await record(design, seed);
      const chip = new ChipTalk(host, args);
      try {
        expect(await play(chip, orders)).toEqual(said);
        expect(said.length).toBeGreaterThan(10);
      } finally {
        chip.end();
      }
    },
  );
});
