import { describe, expect, it } from "vitest";
import { EVERY_KEY_BYTES } from "../contract/contract";
import { KEPT_MOST, busShares, keptShare, transactionNs } from "./busLoad";
import { endpointPlan } from "./endpointPlan";
import { interfaceKinds } from "./interfaceKinds";
import { plainReports } from "./reportShape";

describe("what the device asks of the bus", () => {
  // By hand: 64 × 1.1667 = 74.67, with 3.167 not quite 78; 77 × 83.54 = 6432.58; with 9107 ns.
  it("takes the time of USB 2.0, section 5.11.3", () => {
    expect(transactionNs(8)).toBeCloseTo(15_539.58, 2);
    // 597.35 and 3.167 are 600 whole bits.
    expect(transactionNs(64)).toBeCloseTo(59_231, 2);
    expect(transactionNs(0)).toBeCloseTo(9107 + 3 * 83.54, 2);
  });

  it("is a packet a millisecond for each interface, in whole; the endpoints follow each other", () => {
    const shares = busShares([["keyboard"], ["consumer"], ["pointer"]], { ...plainReports, keyBytes: 0 });
    expect(shares.map(({ endpoint, packetBytes }) => [endpoint, packetBytes])).toEqual([
      [1, 8],
      [2, 8],
      [3, 8],
    ]);
    expect(shares.map(({ bytesASecond }) => bytesASecond)).toEqual([8000, 8000, 8000]);
    expect(keptShare(shares)).toBeCloseTo((3 * 15_539.58) / 1_000_000, 6);
  });

  it("is more where every key has a bit: 36 bytes want a packet of 64", () => {
    const [keyboard] = busShares([["keyboard"]], { ...plainReports, keyBytes: EVERY_KEY_BYTES });
    expect(keyboard.packetBytes).toBe(64);
  });

  it("keeps no time for music, which stands last", () => {
    const shares = busShares([["keyboard"], ["music"]], plainReports);
    expect(shares.map(({ kinds: [kind], isKept }) => [kind, isKept])).toEqual([
      ["keyboard", true],
      ["music", false],
    ]);
    expect(keptShare(busShares([["music"]], plainReports))).toBe(0);
  });

  it("keeps time for what a serial port would tell of its line", () => {
    // 8 bytes, as above.
    expect(keptShare([], true)).toBeCloseTo(15_539.58 / 1_000_000, 8);
    expect(keptShare([])).toBe(0);
  });

  it("has room for everything that can be declared", () => {
    const shape = { ...plainReports, keyBytes: EVERY_KEY_BYTES, buttons: 128, hat: true, axisBits: 16 };
    expect(keptShare(busShares(endpointPlan(interfaceKinds, 15), shape))).toBeLessThan(KEPT_MOST);
  });
});
