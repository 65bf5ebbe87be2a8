import { describe, expect, it } from "vitest";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { hidInterfaces } from "@/core/hid/interfaces";
import { placeOf } from "@/core/hid/pointerPlace";
import { plainReports } from "@/core/hid/reportShape";
import { simulate } from "@/core/engine/simulate";
import { readExample } from "../firmware/examples";
import { readDescriptor as read } from "./descriptorReader";

describe("the report descriptor of a place on the screen", () => {
  const own = read(bytesOf(hidInterfaces.place.descriptor(plainReports)));

  it("is that of a pointer whose X and Y are absolute, from 0 on, in sixteen bits each behind a byte for a button", () => {
    // HID Usage Tables (from memory): generic desktop Mouse 02, Pointer 01, X 30, Y 31; button page 09.
    expect(own.collections).toEqual([0x10002, 0x10001]);
    expect(own.depth).toBe(0);
    expect(own.fields.map(({ usage, at, bits }) => [usage, at, bits])).toEqual([
      [0x90001, 0, 1],
      [null, 1, 7],
      [0x10030, 8, 16],
      [0x10031, 24, 16],
    ]);
    // HID 1.11, section 6.2.2.5: an absolute field has bit 2 of its input item clear.
    for (const axis of own.fields.slice(-2)) expect(axis).toMatchObject({ low: 0, high: 32767, isRelative: false });
  });

  it("is what the device's reports are read by: a key's place within a 4,095th, both ends of an axis exactly", () => {
    const { design, events, untilMs } = readExample(`key A: place 33 67
stick S
axis S x: dead 10 each
axis S y: dead 10 each
use S x: place across
use S y: place down
at 10 press A
at 30 set S x 100
at 30 set S y 100
at 50 set S x -100
at 50 set S y -100`);
    const run = simulate(design, { events, untilMs });
    if (!run.ok) throw new Error("it does not run");
    const value = (bytes: Uint8Array, at: number, bits: number) =>
      Array.from({ length: bits }, (_, nth) => ((bytes[(at + nth) >> 3] >> ((at + nth) & 7)) & 1) * 2 ** nth).reduce(
        (sum, bit) => sum + bit,
        0,
      );
    const told = run.value.reports.map(({ bytes }) =>
      own.fields.filter(({ usage }) => usage !== null).map(({ at, bits }) => value(bytes, at, bits)),
    );
    const [put] = told;
    expect(put[0]).toBe(0);
    expect(Math.abs(put[1] / 32767 - 0.33)).toBeLessThan(1 / 4095);
    expect(Math.abs(put[2] / 32767 - 0.67)).toBeLessThan(1 / 4095);
    expect(told).toContainEqual([0, 32767, 32767]);
    expect(told.at(-1)).toEqual([0, 0, 0]);
    expect(placeOf(run.value.reports[0].bytes).across).toBeCloseTo(put[1] / 32767, 9);
  });
});
