import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { PacketField } from "../firmware/packet";
import { FLAG_MARKS, type PacketSettings, usualPacket } from "../hid/packetSettings";
import { PacketReceiver, checkValue } from "./packetReceiver";

const counter: PacketField = { of: "counter", bytes: 1, name: "number" };
const keys: PacketField = { of: "keys", bytes: 1, name: "keys", bits: ["A", "B", "C"] };
const check = (bytes: number): PacketField => ({ of: "check", bytes, name: "check value" });
const axis = (bytes: number, bothSides: boolean): PacketField => ({ of: "axis", bytes, name: "X", bothSides });

const receiver = (change: Partial<PacketSettings>, ...fields: PacketField[]) => {
  const packet = { ...usualPacket, check: "none" as const, ...change };
  return new PacketReceiver(packet, fields, packet.framing === "characters" ? packet.marks : FLAG_MARKS);
};
const [START, SEPARATOR, END, ESCAPE] = [0x3c, 0x2c, 0x3e, 0x5c];
const values = (...words: string[]) => words.map((one, nth) => ({ name: nth === 0 ? "keys" : "X", words: one }));

describe("a packet as it is", () => {
  it("is read field by field", () =>
    expect(receiver({}, counter, keys).take([7, 0b101])).toEqual([{ ok: true, number: 7, values: values("A, C") }]));
  it("is refused when it is too short or too long", () => {
    expect(receiver({}, counter, keys).take([7])).toEqual([{ ok: false, why: "it has 1 bytes, not 2" }]);
    expect(receiver({}, counter, keys).take([7, 1, 0])).toEqual([{ ok: false, why: "it has 3 bytes, not 2" }]);
  });
  it("is refused when its check value is another", () => {
    const one = receiver({ check: "sum" }, keys, check(1));
    expect(one.take([3, 3])).toEqual([{ ok: true, number: null, values: values("A, B") }]);
    expect(one.take([3, 4])).toEqual([{ ok: false, why: "its check value is 04, not 03" }]);
  });
  it.each([
    [axis(1, true), [0x80], "0 %"],
    [axis(1, true), [0xff], "100 %"],
    [axis(1, true), [0x00], "-100 %"],
    [axis(1, false), [0xff], "100 %"],
    [axis(1, false), [0x00], "0 %"],
    [axis(2, true), [0x00, 0x20], "0 %"],
    [axis(2, true), [0xff, 0x3f], "100 %"],
    [axis(2, false), [0x00, 0x20], "50 %"],
  ])("tells where an axis is", (field, bytes, words) =>
    expect(receiver({}, field).take(bytes)).toEqual([{ ok: true, number: null, values: [{ name: "X", words }] }]),
  );
});

describe("a stream between flags", () => {
  const one = () => receiver({ framing: "marked" }, keys);
  const taken = (words: string) => ({ ok: true, number: null, values: values(words) });
  it("gives a packet at its end, whatever pieces it comes in", () => {
    const there = one();
    expect(there.take([0x7e])).toEqual([]);
    expect(there.take([0x01])).toEqual([]);
    expect(there.take([0x7e])).toEqual([taken("A")]);
  });
  it("takes one flag for an end and a start, and several for nothing", () =>
    expect(one().take([0x7e, 1, 0x7e, 2, 0x7e, 0x7e, 4, 0x7e])).toEqual([taken("A"), taken("B"), taken("C")]));
  it("waits for a flag when it comes late", () => expect(one().take([1, 2, 3, 0x7e, 4, 0x7e])).toEqual([taken("C")]));
  it("takes nothing that is broken off, and what comes behind it", () =>
    expect(one().take([0x7e, 1, 0x7d, 0x7e, 2, 0x7e])).toEqual([{ ok: false, why: "it is broken off" }, taken("B")]));
});

describe("a stream between characters", () => {
  const one = () => receiver({ framing: "characters" }, keys, axis(1, false));
  const taken = { ok: true, number: null, values: values("none down", "100 %") };
  it("is read between its marks, and what is escaped is data", () => {
    expect(one().take([START, 0, SEPARATOR, 0xff, END])).toEqual([taken]);
    const there = receiver({ framing: "characters" }, { ...counter, of: "knob" }, axis(1, false));
    const [read] = there.take([START, ESCAPE, END, SEPARATOR, 0xff, END]);
    expect(read).toMatchObject({ ok: true, values: [{ words: String(END) }, { words: "100 %" }] });
  });
  it("is refused where a separator stands within a field, or it begins anew", () => {
    const wide = receiver({ framing: "characters" }, axis(2, false));
    expect(wide.take([START, 1, SEPARATOR, 2, END])).toEqual([
      { ok: false, why: "a separator stands in the middle of a field" },
    ]);
    expect(one().take([START, 1, START, 0, SEPARATOR, 0xff, END])).toEqual([
      { ok: false, why: "it begins anew before its end" },
      taken,
    ]);
  });
  it("hears nothing outside of its marks", () => expect(one().take([1, ESCAPE, END, 4, 5])).toEqual([]));
});

describe("a stuffed stream", () => {
  const one = () => receiver({ framing: "stuffed" }, keys, axis(1, false));
  it("is read from zero to zero", () =>
    expect(one().take([2, 1, 1, 0, 3, 2, 0xff, 0])).toEqual([
      { ok: true, number: null, values: values("A", "0 %") },
      { ok: true, number: null, values: values("B", "100 %") },
    ]));
  it("is refused when a code leads beyond the end", () =>
    expect(one().take([9, 1, 1, 0])).toEqual([{ ok: false, why: "a code leads beyond the end" }]));
  it("takes several zeros for nothing", () => expect(one().take([0, 0, 0])).toEqual([]));
});

describe("whatever comes", () => {
  const framings = ["whole", "marked", "characters", "stuffed"] as const;
  const checks = ["none", "sum", "crc8", "crc16"] as const;
  const packets = fc.record({ framing: fc.constantFrom(...framings), check: fc.constantFrom(...checks) });

  it("is read or refused, never thrown at", () =>
    fc.assert(
      fc.property(packets, fc.uint8Array({ maxLength: 80 }), (packet, bytes) => {
        const bytesOfCheck = checkValue(packet.check, []).length;
        const there = receiver(packet, counter, keys, ...(bytesOfCheck > 0 ? [check(bytesOfCheck)] : []));
        for (const received of there.take(bytes)) expect(typeof received.ok).toBe("boolean");
      }),
      { numRuns: 400 },
    ));

  it("is never taken with one bit changed where a CRC follows", () =>
    fc.assert(
      fc.property(
        fc.constantFrom("crc8", "crc16"),
        fc.uint8Array({ minLength: 2, maxLength: 2 }),
        fc.nat(),
        (how, data, bit) => {
          const told = [...data, ...checkValue(how as "crc8", [...data])];
          const at = bit % (8 * told.length);
          told[at >> 3] ^= 1 << (at & 7);
          const there = receiver({ check: how as "crc8" }, counter, keys, check(told.length - 2));
          expect(there.take(told)[0].ok).toBe(false);
        },
      ),
    ));
});
