import { beforeAll, describe, expect, it } from "vitest";
import { loom, onTwo } from "../../../tests/support/twoParts";
import { crc16 } from "../contract/crc16";
import { LINK, LINK_FLAG } from "../contract/link";
import { linkBytesOf } from "../firmware/link";
import { scanTableOf } from "../firmware/scanTable";
import { tableBytes } from "../firmware/tables";
import { randomFrom } from "../optimisation/random";
import { bringInlineRuntime } from "./inlineRuntime";
import { type Runtime, startRuntime } from "./runtime";

beforeAll(bringInlineRuntime);

const design = onTwo(loom);
const scan = scanTableOf(design);
const tables = tableBytes(scan, design);
const [near, far] = [0, 1].map((part) => linkBytesOf(scan, design, part));

/** What the parts are loaded with is what their frames' check value begins with: appended, it is the CRC so far. */
const checked = (told: number[]): number[] => {
  const crc = crc16([...tables.slice(0, -2), ...told]);
  return [...told, crc >> 8, crc & 0xff];
};

/** Without a zero, and one behind it. */
function stuffed(bytes: number[]): number[] {
  const blocks: number[][] = [[]];
  for (const byte of bytes) {
    if (byte === 0) blocks.push([]);
    else blocks.at(-1)!.push(byte);
  }
  return [...blocks.flatMap((block) => [block.length + 1, ...block]), 0];
}

const frame = (told: number[]) => Uint8Array.from(stuffed(checked(told)));
const allDown = (length: number, flags: number) => [flags, ...new Array<number>(length - 1).fill(0xff)];
/** The second part tells that all of its keys are down. */
const good = frame(allDown(far.far, LINK_FLAG.ONE_PART));

interface Heard {
  runtime: Runtime;
  sent: Uint8Array[];
}
function started(part: number): Heard {
  const sent: Uint8Array[] = [];
  const host = { report: () => true, lamp: () => {}, lights: () => {}, link: (bytes: Uint8Array) => sent.push(bytes) };
  const runtime = startRuntime(tables, host, undefined, part);
  expect(runtime.started).toBe(0);
  runtime.configured(part === 0);
  runtime.scan(1);
  runtime.scan(1);
  return { runtime, sent };
}

/** Whether the first part takes a frame for one of the second's. */
function isTaken(bytes: Uint8Array): boolean {
  const { runtime } = started(0);
  runtime.linked(bytes);
  for (let ms = 0; ms < 8; ms++) runtime.scan(1);
  const downs = scan.switches.filter((_, sw) => runtime.switchClosed(sw)).length;
  expect(runtime.isHeard()).toBe(downs > 0);
  if (downs > 0) expect(downs).toBe(scan.switches.length - scan.parts[0].switches);
  return downs > 0;
}

describe("a frame from the other part", () => {
  it("is taken when it is whole", () => expect(isTaken(good)).toBe(true));

  it("is not, when it is of this part itself: a line that is looped back, or two parts with one number", () => {
    expect(isTaken(frame(allDown(near.far, 0)))).toBe(false);
    const one = started(0);
    for (const bytes of one.sent) one.runtime.linked(bytes);
    expect(one.runtime.isHeard()).toBe(false);
  });

  it("is not, when it is shorter or longer than it says", () => {
    for (const length of [1, 2, far.far - 1, far.far + 1, far.host - 1, far.host + 1, LINK.MOST])
      expect(isTaken(frame(allDown(length, LINK_FLAG.ONE_PART))), `${length}`).toBe(false);
    expect(isTaken(frame(allDown(far.far, LINK_FLAG.ONE_PART | LINK_FLAG.HOST)))).toBe(false);
    expect(isTaken(frame(allDown(far.host, LINK_FLAG.ONE_PART)))).toBe(false);
  });

  it("is not, when the parts are loaded with different things, or a byte is another, missing, or one too many", () => {
    expect(isTaken(Uint8Array.from(stuffed([...allDown(far.far, LINK_FLAG.ONE_PART), 0x12, 0x34])))).toBe(false);
    for (let at = 0; at < good.length; at++) {
      for (const bit of [1, 0x10, 0x80]) {
        const spoilt = good.slice();
        spoilt[at] ^= bit;
        expect(isTaken(spoilt), `byte ${at}`).toBe(false);
      }
      expect(isTaken(good.filter((_, nth) => nth !== at))).toBe(false);
      expect(isTaken(Uint8Array.of(...good.slice(0, at), 0x55, ...good.slice(at)))).toBe(false);
    }
  });

  it("is taken after anything at all that ends with a zero, however long", () => {
    const random = randomFrom(3);
    for (let nth = 0; nth < 60; nth++) {
      const noise = Array.from({ length: Math.floor(random() * 700) }, () => Math.floor(random() * 256));
      expect(isTaken(Uint8Array.of(...noise, 0, ...good))).toBe(true);
    }
  });
});

describe("who speaks with the computer", () => {
  const speaks = ({ sent }: Heard) => (unstuffedFirst(sent.at(-1)!) & LINK_FLAG.HOST) !== 0;
  /** The first byte of a frame is never a zero here: parts that are set up or second have a flag. */
  const unstuffedFirst = (bytes: Uint8Array) => (bytes[0] === 1 ? 0 : bytes[1]);

  it("is the first part alone, where both were set up while they did not hear each other", () => {
    const [one, two] = [started(0), started(1)];
    two.runtime.configured(true);
    for (let ms = 0; ms < 10; ms++) for (const { runtime } of [one, two]) runtime.scan(1);
    expect([speaks(one), speaks(two)]).toEqual([true, true]);
    for (let ms = 0; ms < 20; ms++) {
      const [fromOne, fromTwo] = [one, two].map(({ sent }) => sent.splice(0, sent.length));
      for (const bytes of fromOne) two.runtime.linked(bytes);
      for (const bytes of fromTwo) one.runtime.linked(bytes);
      for (const { runtime } of [one, two]) runtime.scan(1);
    }
    while (one.sent.length === 0 || two.sent.length === 0) for (const { runtime } of [one, two]) runtime.scan(1);
    expect([speaks(one), speaks(two)]).toEqual([true, false]);
  });

  it("is whoever was set up first, also the second part, and stays so when the other one is set up too", () => {
    const [one, two] = [started(0), started(1)];
    one.runtime.configured(false);
    two.runtime.configured(true);
    const exchange = (ms: number) => {
      for (let left = ms; left > 0; left--) {
        const [fromOne, fromTwo] = [one, two].map(({ sent }) => sent.splice(0, sent.length - 1));
        for (const bytes of fromOne) two.runtime.linked(bytes);
        for (const bytes of fromTwo) one.runtime.linked(bytes);
        for (const { runtime } of [one, two]) runtime.scan(1);
      }
    };
    exchange(30);
    expect([speaks(one), speaks(two)]).toEqual([false, true]);
    one.runtime.configured(true);
    exchange(30);
    expect([speaks(one), speaks(two)]).toEqual([false, true]);
    two.runtime.configured(false);
    exchange(30);
    expect([speaks(one), speaks(two)]).toEqual([true, false]);
  });
});
