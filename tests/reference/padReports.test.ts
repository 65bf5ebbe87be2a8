import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { hidInterfaces } from "@/core/hid/interfaces";
import { padAxes } from "@/core/hid/padShape";
import { type ReportShape, plainReports } from "@/core/hid/reportShape";
import { padByteNames, padStateOf } from "@/core/hid/padWords";
import { reportBytes } from "@/core/hid/reportBytes";
import { panelBytes } from "@/core/hid/panelSettings";
import { type Field, OUTPUT, readDescriptor } from "./descriptorReader";

/** What a host takes out of a report for a field: its bits from the lowest on, with a sign where its range has one (HID 1.11, 5.8). */
function valueIn(bytes: Uint8Array, { at, bits, low }: Field): number {
  let value = 0;
  for (let bit = 0; bit < bits; bit++) value += ((bytes[(at + bit) >> 3] >> ((at + bit) & 7)) & 1) * 2 ** bit;
  return low < 0 && value >= 2 ** (bits - 1) ? value - 2 ** bits : value;
}

const descriptorOf = (shape: ReportShape) => readDescriptor(bytesOf(hidInterfaces.pad.descriptor(shape)));

const shapes: fc.Arbitrary<ReportShape> = fc.record({
  buttons: fc.integer({ min: 0, max: 128 }),
  hat: fc.boolean(),
  axisBits: fc.integer({ min: 8, max: 16 }),
  keyBytes: fc.constant(0),
  axes: fc
    .subarray([...padAxes])
    .chain((axes) => fc.tuple(...axes.map((axis) => fc.boolean().map((bothSides) => ({ axis, bothSides }))))),
});

describe("a game pad's report descriptor", () => {
  it("is a game pad with buttons, a hat and axes of the usage tables", () => {
    const { collections, fields, depth } = descriptorOf({
      buttons: 10,
      hat: true,
      axisBits: 8,
      keyBytes: 0,
      axes: [
        { axis: "x", bothSides: true },
        { axis: "slider", bothSides: false },
      ],
    });
    // HID Usage Tables (from memory): generic desktop Game Pad 05, X 30, Slider 36, Hat Switch 39; button page 09.
    expect(collections).toEqual([0x10005]);
    const buttons = Array.from({ length: 10 }, (_, nth) => 0x90001 + nth);
    expect(fields.map(({ usage }) => usage)).toEqual([...buttons, null, 0x10039, 0x10030, 0x10036]);
    // A hat that is not pressed tells a value outside of its range (HID 1.11, section 6.2.2.5: Null State).
    expect(fields.find(({ usage }) => usage === 0x10039)).toMatchObject({ low: 0, high: 7, hasNull: true });
    expect(fields.at(-2)).toMatchObject({ low: -127, high: 127, hasNull: false });
    expect(fields.at(-1)).toMatchObject({ low: 0, high: 255 });
    expect(depth).toBe(0);
  });

  it("describes every bit of the report, and hosts read from it what the device means", () => {
    const law = fc.property(shapes, fc.uint8Array({ minLength: 33, maxLength: 33 }), (shape, random) => {
      const { fields } = descriptorOf(shape);
      const length = reportBytes("pad", shape);
      expect(fields.reduce((sum, { bits }) => sum + bits, 0)).toBe(8 * length);
      expect(padByteNames(shape)).toHaveLength(length);
      const bytes = random.slice(0, length);
      const told = padStateOf(shape, bytes);
      const of = (page: number) => fields.filter(({ usage }) => usage !== null && usage >> 16 === page);
      const down = of(0x09).flatMap((field, nth) => (valueIn(bytes, field) === 1 ? [nth] : []));
      expect(told.buttons).toEqual(down);
      const axes = of(0x01).filter(({ usage }) => usage !== 0x10039);
      expect(told.axes).toEqual(axes.map((field) => valueIn(bytes, field)));
      const hat = of(0x01).find(({ usage }) => usage === 0x10039);
      const value = hat ? valueIn(bytes, hat) : 8;
      expect(told.hat).toBe(value > 7 ? null : value);
    });
    fc.assert(law, { numRuns: 300 });
  });
});

describe("the panel's report descriptor", () => {
  it("describes 64 flags of a bit, then eight values of a byte, as they are told", () => {
    const { fields, depth } = readDescriptor(bytesOf(hidInterfaces.panel.descriptor(plainReports)), OUTPUT);
    expect(fields.map(({ at, bits }) => [at, bits])).toEqual([
      ...Array.from({ length: 64 }, (_, nth) => [nth, 1]),
      ...Array.from({ length: 8 }, (_, nth) => [64 + 8 * nth, 8]),
    ]);
    expect(depth).toBe(0);
    const bytes = panelBytes([false, true, ...new Array<boolean>(61).fill(false), true], [7, 0, 255]);
    const told = fields.map((field) => valueIn(bytes, field));
    expect(told.flatMap((value, nth) => (nth < 64 && value === 1 ? [nth] : []))).toEqual([1, 63]);
    expect(told.slice(64)).toEqual([7, 0, 255, 0, 0, 0, 0, 0]);
  });
});
