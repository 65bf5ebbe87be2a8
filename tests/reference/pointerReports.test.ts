import { describe, expect, it } from "vitest";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { noPad } from "@/core/hid/padShape";
import { hidInterfaces } from "@/core/hid/interfaces";

// Source: USB "Device Class Definition for Human Interface Devices", version 1.11, appendix B.2, the report descriptor of a
// boot mouse (from memory): three buttons, five bits to fill the byte, X and Y in a byte each, relative.
const APPENDIX_B2 =
  "05 01 09 02 a1 01 09 01 a1 00 05 09 19 01 29 03 15 00 25 01 95 03 75 01 81 02 95 01 75 05 81 01 05 01 09 30 09 31 " +
  "15 81 25 7f 75 08 95 02 81 06 c0 c0";

interface Field {
  /** Page and usage; a constant has none. */
  usage: number | null;
  at: number;
  bits: number;
  low: number;
  high: number;
  isRelative: boolean;
}

interface Described {
  collections: number[];
  fields: Field[];
  depth: number;
}

/** A reader of report descriptors, after section 6.2.2: global items stay, local ones are for the next main item. */
function read(bytes: Uint8Array): Described {
  const state = { page: 0, size: 0, count: 0, low: 0, high: 0 };
  let usages: number[] = [];
  let range = [0, -1];
  const all: Described = { collections: [], fields: [], depth: 0 };
  let bit = 0;
  for (let at = 0; at < bytes.length;) {
    const size = [0, 1, 2, 4][bytes[at] & 3];
    const raw = bytes.slice(at + 1, at + 1 + size).reduce((value, byte, i) => value + byte * 2 ** (8 * i), 0);
    const signed = size > 0 && raw >= 2 ** (8 * size - 1) ? raw - 2 ** (8 * size) : raw;
    const tag = bytes[at] & 0xfc;
    at += 1 + size;
    if (tag === 0x04) state.page = raw;
    if (tag === 0x14) state.low = signed;
    if (tag === 0x24) state.high = signed;
    if (tag === 0x74) state.size = raw;
    if (tag === 0x94) state.count = raw;
    if (tag === 0x08) usages.push(state.page * 65536 + raw);
    if (tag === 0x18) range = [raw, range[1]];
    if (tag === 0x28) range = [range[0], raw];
    if (tag === 0xc0) all.depth -= 1;
    if (tag === 0xa0) {
      all.collections.push(usages[0]);
      all.depth += 1;
    }
    if (tag === 0x80) {
      for (let nth = 0; nth < state.count; nth++) {
        const ranged = range[1] >= range[0] ? state.page * 65536 + Math.min(range[0] + nth, range[1]) : undefined;
        const usage = (raw & 1) === 1 ? null : (usages[nth] ?? ranged ?? null);
        const { low, high } = state;
        all.fields.push({ usage, at: bit, bits: state.size, low, high, isRelative: (raw & 4) === 4 });
        bit += state.size;
      }
    }
    if (tag === 0x80 || tag === 0xa0 || tag === 0xc0) {
      usages = [];
      range = [0, -1];
    }
  }
  return all;
}

const hex = (text: string) => Uint8Array.from(text.split(" "), (byte) => parseInt(byte, 16));

describe("the pointer's report descriptor", () => {
  const own = read(bytesOf(hidInterfaces.pointer.descriptor(noPad)));
  const boot = read(hex(APPENDIX_B2));

  it("is read by a reader that reads appendix B.2 as it is described there", () => {
    expect(boot.depth).toBe(0);
    expect(boot.collections).toEqual([0x10002, 0x10001]);
    expect(boot.fields.map(({ usage, at, bits }) => [usage, at, bits])).toEqual([
      [0x90001, 0, 1],
      [0x90002, 1, 1],
      [0x90003, 2, 1],
      [null, 3, 5],
      [0x10030, 8, 8],
      [0x10031, 16, 8],
    ]);
  });

  it("has every field of appendix B.2 in its place", () => {
    expect(own.collections).toEqual(boot.collections);
    for (const field of boot.fields.filter(({ usage }) => usage !== null)) expect(own.fields).toContainEqual(field);
  });

  it("has two buttons more, a wheel, and one to the side, five bytes in all", () => {
    const usages = own.fields.flatMap(({ usage }) => usage ?? []);
    // HID Usage Tables (from memory): button page 09; generic desktop X 30, Y 31, wheel 38; consumer AC Pan 238.
    expect(usages).toEqual([0x90001, 0x90002, 0x90003, 0x90004, 0x90005, 0x10030, 0x10031, 0x10038, 0xc0238]);
    for (const axis of own.fields.slice(-4))
      expect(axis).toMatchObject({ bits: 8, low: -127, high: 127, isRelative: true });
    expect(own.fields.reduce((sum, { bits }) => sum + bits, 0)).toBe(40);
    expect(own.depth).toBe(0);
  });
});

describe("the system control's report descriptor", () => {
  it("has a bit each for power down, sleep and wake up", () => {
    const { collections, fields, depth } = read(bytesOf(hidInterfaces.system.descriptor(noPad)));
    // HID Usage Tables, generic desktop page (from memory): System Control 80, System Power Down 81, Sleep 82, Wake Up 83.
    expect(collections).toEqual([0x10080]);
    expect(fields.map(({ usage, at, bits }) => [usage, at, bits])).toEqual([
      [0x10081, 0, 1],
      [0x10082, 1, 1],
      [0x10083, 2, 1],
      [null, 3, 5],
    ]);
    expect(depth).toBe(0);
  });
});
