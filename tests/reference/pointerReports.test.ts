import { describe, expect, it } from "vitest";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { plainReports } from "@/core/hid/reportShape";
import { hidInterfaces } from "@/core/hid/interfaces";
import { readDescriptor as read } from "./descriptorReader";

// Source: USB "Device Class Definition for Human Interface Devices", version 1.11, appendix B.2, the report descriptor of a
// boot mouse (from memory): three buttons, five bits to fill the byte, X and Y in a byte each, relative.
const APPENDIX_B2 =
  "05 01 09 02 a1 01 09 01 a1 00 05 09 19 01 29 03 15 00 25 01 95 03 75 01 81 02 95 01 75 05 81 01 05 01 09 30 09 31 " +
  "15 81 25 7f 75 08 95 02 81 06 c0 c0";

const hex = (text: string) => Uint8Array.from(text.split(" "), (byte) => parseInt(byte, 16));

describe("the pointer's report descriptor", () => {
  const own = read(bytesOf(hidInterfaces.pointer.descriptor(plainReports)));
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
    const { collections, fields, depth } = read(bytesOf(hidInterfaces.system.descriptor(plainReports)));
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
