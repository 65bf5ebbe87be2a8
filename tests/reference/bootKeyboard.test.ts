import { describe, expect, it } from "vitest";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { plainReports } from "@/core/hid/reportShape";
import { hidInterfaces } from "@/core/hid/interfaces";

// Source: USB "Device Class Definition for Human Interface Devices", version 1.11, appendix B.1,
// the report descriptor for a boot interface keyboard, item by item as it is printed there (from memory).
const APPENDIX_B1 = `
Usage Page (Generic Desktop)
Usage (Keyboard)
Collection (Application)
Report Size (1)
Report Count (8)
Usage Page (Key Codes)
Usage Minimum (224)
Usage Maximum (231)
Logical Minimum (0)
Logical Maximum (1)
Input (Data, Variable, Absolute)
Report Count (1)
Report Size (8)
Input (Constant)
Report Count (5)
Report Size (1)
Usage Page (LEDs)
Usage Minimum (1)
Usage Maximum (5)
Output (Data, Variable, Absolute)
Report Count (1)
Report Size (3)
Output (Constant)
Report Count (6)
Report Size (8)
Logical Minimum (0)
Logical Maximum (255)
Usage Page (Key Codes)
Usage Minimum (0)
Usage Maximum (255)
Input (Data, Array)
End Collection`
  .trim()
  .split("\n");

// Those items by hand, after section 6.2.2: prefix = tag, type and size. 255 as a logical maximum has a sign and so
// takes two bytes; as a usage it has none and takes one.
const APPENDIX_B1_BYTES =
  "05 01 09 06 a1 01 75 01 95 08 05 07 19 e0 29 e7 15 00 25 01 81 02 95 01 75 08 81 01 95 05 75 01 05 08 19 01 29 05 " +
  "91 02 95 01 75 03 91 01 95 06 75 08 15 00 26 ff 00 05 07 19 00 29 ff 81 00 c0";

/** A reader of short items of its own: prefix and data, nothing of the writer's tables. */
function fieldsOf(
  bytes: Uint8Array,
): { kind: string; bits: number; count: number; page: number; low: number; high: number }[] {
  const state = { size: 0, count: 0, page: 0, low: 0, high: 0 };
  const fields = [];
  for (let at = 0; at < bytes.length;) {
    const size = [0, 1, 2, 4][bytes[at] & 3];
    const data = bytes.slice(at + 1, at + 1 + size).reduce((value, byte, i) => value + byte * 2 ** (8 * i), 0);
    const tag = bytes[at] & 0xfc;
    if (tag === 0x74) state.size = data;
    if (tag === 0x94) state.count = data;
    if (tag === 0x04) state.page = data;
    if (tag === 0x14) state.low = data;
    if (tag === 0x24) state.high = data;
    if (tag === 0x80 || tag === 0x90)
      fields.push({
        kind: tag === 0x80 ? "input" : "output",
        bits: state.size,
        count: state.count,
        page: state.page,
        low: state.low,
        high: state.high,
      });
    at += 1 + size;
  }
  return fields;
}

const bitsOf = (bytes: Uint8Array, kind: string) =>
  fieldsOf(bytes)
    .filter((field) => field.kind === kind)
    .reduce((sum, field) => sum + field.bits * field.count, 0);

// Source: the same document, appendix E.6, the keyboard of the example configuration, bytes as printed (from memory).
const APPENDIX_E6 = Uint8Array.from(
  (
    "05 01 09 06 a1 01 05 07 19 e0 29 e7 15 00 25 01 75 01 95 08 81 02 95 01 75 08 81 01 95 05 75 01 05 08 19 01 29 05 " +
    "91 02 95 01 75 03 91 01 95 06 75 08 15 00 25 65 05 07 19 00 29 65 81 00 c0"
  )
    .split(" ")
    .map((byte) => parseInt(byte, 16)),
);

describe("boot keyboard report descriptor", () => {
  const items = hidInterfaces.keyboard.descriptor(plainReports);
  const bytes = bytesOf(items);

  it("has the items of appendix B.1 in their order", () => expect(items.map((item) => item.name)).toEqual(APPENDIX_B1));

  it("has the bytes of appendix B.1", () => {
    expect(Buffer.from(bytes).toString("hex")).toBe(APPENDIX_B1_BYTES.replace(/ /g, ""));
  });

  it("describes the same report as the example of appendix E.6, field by field", () => {
    const shape = (source: Uint8Array) => fieldsOf(source).map(({ kind, bits, count }) => ({ kind, bits, count }));
    expect(shape(bytes)).toEqual(shape(APPENDIX_E6));
  });

  it("describes eight bytes in and one byte out", () => {
    expect(bitsOf(bytes, "input")).toBe(64);
    expect(bitsOf(bytes, "output")).toBe(8);
  });
});

describe("consumer control report descriptor", () => {
  it("describes one 16-bit field on the consumer page", () => {
    expect(fieldsOf(bytesOf(hidInterfaces.consumer.descriptor(plainReports)))).toEqual([
      { kind: "input", bits: 16, count: 1, page: 0x0c, low: 0, high: 0x3ff },
    ]);
  });
});
