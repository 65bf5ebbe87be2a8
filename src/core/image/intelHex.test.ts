import { describe, expect, it } from "vitest";
import { intelHex } from "./intelHex";

const bytesOf = (hex: string) => hex.match(/../g)!.map((byte) => parseInt(byte, 16));

describe("Intel HEX", () => {
  // A record that the format's descriptions show (from memory).
  it("writes the usual example of a record, and the end", () =>
    expect(intelHex([{ at: 0x100, bytes: bytesOf("214601360121470136007EFE09D21901") }])).toBe(
      ":10010000214601360121470136007EFE09D2190140\n:00000001FF\n",
    ));

  it("breaks into sixteen bytes a line, the last one shorter, and sums each to nothing", () => {
    const lines = intelHex([{ at: 0x5000, bytes: Array.from({ length: 35 }, (_, nth) => nth * 7) }])
      .trimEnd()
      .split("\n");
    expect(lines.map((line) => line.slice(1, 7))).toEqual(["105000", "105010", "035020", "000000"]);
    for (const line of lines) expect(bytesOf(line.slice(1)).reduce((a, b) => a + b, 0) & 0xff).toBe(0);
  });

  it("keeps parts at their places", () =>
    expect(
      intelHex([
        { at: 0, bytes: [1] },
        { at: 0x5800, bytes: [2] },
      ]),
    ).toBe(":0100000001FE\n:01580000" + "02A5\n:00000001FF\n"));
});
