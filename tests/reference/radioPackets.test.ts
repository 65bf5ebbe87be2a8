import { describe, expect, it } from "vitest";
import { PACKET_MOST } from "@/core/contract/radio";
import type { PacketSettings } from "@/core/hid/packetSettings";
import { simulate } from "@/core/engine/simulate";
import { newDesign } from "@/core/document/newDesign";
import { addControl } from "@/core/edits/controls";
import { setPacket } from "@/core/edits/reportSet";
import { shareOutDirect, wireAs } from "@/core/edits/wiring";
import { packetSettingsSchema, usualPacket } from "@/core/hid/packetSettings";

const at = (nth: number) => ({ xMm: 20 * nth, yMm: 0, rotationDeg: 0, boardId: "panel" });

/** What a device sends whose keys are held as these bytes have them, eight keys a byte, the first one lowest. */
function sent(bytes: number[], change: Partial<PacketSettings>): number[] {
  const keys = Array.from({ length: 8 * bytes.length }, (_, nth) => `k${nth}`);
  const placed = keys.reduce((d, id, nth) => addControl(d, "key", id, at(nth)), newDesign("radio", "Radio"));
  const wired = wireAs(shareOutDirect(addControl(placed, "radio", "r", at(keys.length))), "spi-radio", ["r:radio"]);
  const only = { ...usualPacket, counter: false, axes: false, knobs: false, gapMs: 1, everyMs: 0 };
  const design = setPacket(wired, packetSettingsSchema.parse({ ...only, ...change }));
  const events = keys
    .filter((_, nth) => (bytes[nth >> 3] >> (nth & 7)) & 1)
    .map((control) => ({ atMs: 20, control, action: "press" as const }));
  const run = simulate(design, { events, untilMs: 120 });
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  return [...run.value.packets.at(-1)!.bytes];
}

const hex = (words: string) => words.split(" ").map((byte) => parseInt(byte, 16));

describe("check values", () => {
  const NINE = [..."123456789"].map((sign) => sign.charCodeAt(0));

  // The catalogues of CRCs give each by its check value, that over the digits 1 to 9 (from memory).
  it.each([
    // Polynomial 1021, start FFFF, not reflected; and polynomial 07, start 00, not reflected.
    ["crc16", "29 b1"],
    ["crc8", "f4"],
  ] as const)("%s over the nine digits is %s", (check, value) => {
    expect(sent(NINE, { check })).toEqual([...NINE, ...hex(value)]);
  });

  it("a sum is that of all bytes, in 256ths (common practice)", () =>
    expect(sent([0xff, 0x02, 0x10], { check: "sum" })).toEqual([0xff, 0x02, 0x10, 0x11]));
});

describe("flags and escapes (RFC 1662, section 4.2)", () => {
  // The RFC's own example: "7e is encoded as 7d 5e", "7d is encoded as 7d 5d" (from memory); the flag stands at both ends (4.1).
  it.each([
    ["7e", "7e 7d 5e 7e"],
    ["7d", "7e 7d 5d 7e"],
    ["11 7e 22 7d 33", "7e 11 7d 5e 22 7d 5d 33 7e"],
    // What an escape makes of these is no flag: only two bytes are turned.
    ["5e 5d 20 03", "7e 5e 5d 20 03 7e"],
  ])("%s becomes %s", (data, framed) =>
    expect(sent(hex(data), { framing: "marked", check: "none" })).toEqual(hex(framed)),
  );
});

describe("consistent overhead byte stuffing", () => {
  // Examples of the scheme's paper and of what is printed about it everywhere (Cheshire and Baker, 1999; from memory).
  it.each([
    ["00", "01 01 00"],
    ["00 00", "01 01 01 00"],
    ["00 11 00", "01 02 11 01 00"],
    ["11 22 00 33", "03 11 22 02 33 00"],
    ["11 22 33 44", "05 11 22 33 44 00"],
    ["11 00 00 00", "02 11 01 01 01 00"],
  ])("%s becomes %s", (data, framed) =>
    expect(sent(hex(data), { framing: "stuffed", check: "none" })).toEqual(hex(framed)),
  );

  it("costs two bytes, whatever the data", () => {
    for (const data of ["01 02 03", "00 00 00", "ff 00 ff"])
      expect(sent(hex(data), { framing: "stuffed", check: "none" })).toHaveLength(3 + 2);
  });
});

describe("a packet's length", () => {
  it("is what small radio modules take at once, 32 bytes (common practice), and no more is sent", () => {
    const all = (bytes: number, check: PacketSettings["check"]) => sent(new Array<number>(bytes).fill(0), { check });
    expect(PACKET_MOST).toBe(32);
    expect(all(30, "crc16")).toHaveLength(32);
    expect(() => all(31, "crc16")).toThrow();
  });
});
