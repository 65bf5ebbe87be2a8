import { beforeAll, describe, expect, it } from "vitest";
import { crc16 } from "@/core/contract/crc16";
import { LINK } from "@/core/contract/link";
import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import { deviceOf } from "@/core/engine/preparedDevice";
import { scanTableOf } from "@/core/firmware/scanTable";
import { tableBytes } from "@/core/firmware/tables";
import { randomFrom } from "@/core/optimisation/random";
import type { Design } from "@/core/document/schema";
import { derive } from "@/core/derived/derive";
import { modularDesigns } from "../../demo";
import { keysOf, loom, onTwo } from "../support/twoParts";

beforeAll(bringInlineRuntime);

/** Takes the stuffing out again, as the paper describes it: each code says how far it is to the next zero. */
function unstuffed(bytes: number[]): number[] {
  const out: number[] = [];
  for (let at = 0; at < bytes.length;) {
    const code = bytes[at];
    out.push(...bytes.slice(at + 1, at + code));
    at += code;
    if (at < bytes.length) out.push(0);
  }
  return out;
}

/** The rest of a division by x^16 + x^12 + x^5 + 1, bit by bit, begun with a value. */
function rest(bytes: number[], start: number): number {
  let value = start;
  for (const byte of bytes)
    for (let bit = 7; bit >= 0; bit--) {
      const top = ((value >> 15) & 1) ^ ((byte >> bit) & 1);
      value = ((value << 1) & 0xffff) ^ (top ? 0x1021 : 0);
    }
  return value;
}

const [dunlin] = modularDesigns;
const switchesOf = (design: Design) =>
  [...derive(design).elements.values()].filter(({ kind }) => kind === "switch").map(({ id }) => id);

describe("frames between parts", () => {
  // Cheshire and Baker, Consistent Overhead Byte Stuffing (1999), its examples (from memory); the final zero ends each.
  it.each([
    [[0x01, 0x01], [0x00]],
    [
      [0x01, 0x01, 0x01],
      [0x00, 0x00],
    ],
    [
      [0x03, 0x11, 0x22, 0x02, 0x33],
      [0x11, 0x22, 0x00, 0x33],
    ],
    [
      [0x05, 0x11, 0x22, 0x33, 0x44],
      [0x11, 0x22, 0x33, 0x44],
    ],
    [
      [0x02, 0x11, 0x01, 0x01, 0x01],
      [0x11, 0x00, 0x00, 0x00],
    ],
  ])("are stuffed as published: %j is %j", (stuffed, plain) => expect(unstuffed(stuffed)).toEqual(plain));

  // The usual check value of this CRC over the nine digits (published; from memory).
  it("are checked by a CRC that gives 29B1 over 123456789", () => {
    const digits = [..."123456789"].map((digit) => digit.charCodeAt(0));
    expect(rest(digits, 0xffff)).toBe(0x29b1);
    expect(crc16(digits)).toBe(0x29b1);
  });

  it.each([
    ["two parts on a line", onTwo(loom), keysOf(onTwo(loom)).flat()],
    ["a base and its modules on a bus", dunlin, switchesOf(dunlin)],
  ])("tell each contact as it is, and nothing that a reader of its own does not find right: %s", (_, design, keys) => {
    const scan = scanTableOf(design);
    const tables = tableBytes(scan, design);
    const seed = tables.at(-2)! | (tables.at(-1)! << 8);
    const frames: { part: number; bytes: number[]; closed: boolean[] }[] = [];
    const device = deviceOf(design, {
      parts: {
        link: (_, part, bytes) => {
          const from = part === 0 ? 0 : scan.parts[part - 1].switches;
          const own = scan.switches.slice(from, scan.parts[part].switches);
          frames.push({ part, bytes: [...bytes], closed: own.map((id) => device.debounced(id)) });
        },
      },
    });
    device.runUntil(20);
    const random = randomFrom(7);
    for (let nth = 0; nth < 400; nth++) {
      device.press(keys[Math.floor(random() * keys.length)], random() < 0.5);
      device.runUntil(device.nowMs + 1 + Math.floor(random() * 12));
    }
    expect(frames.length).toBeGreaterThan(600);
    let asTold = 0;
    for (const { part, bytes, closed } of frames) {
      expect(bytes.at(-1)).toBe(0);
      expect(bytes.slice(0, -1)).not.toContain(0);
      const plain = unstuffed(bytes.slice(0, -1));
      const told = plain.slice(0, -2);
      expect((plain.at(-2)! << 8) | plain.at(-1)!).toBe(rest(told, seed));
      expect((told[0] & 0x70) >> 4).toBe(part);
      const contacts = closed.map((_, nth) => ((told[1 + (nth >> 3)] >> (nth & 7)) & 1) === 1);
      // What the speaking part knows of the other is a frame old at most.
      if (part === 0) expect(contacts).toEqual(closed);
      else if (contacts.every((is, nth) => is === closed[nth])) asTold++;
    }
    expect(asTold).toBeGreaterThan(200);
  });

  // A divider of 3 + 1 from 16 MHz by sixteen samples a bit (common practice): 250,000 bit a second without an error, ten bits a byte.
  it("run at a rate that 8 and 16 MHz divide evenly", () => {
    for (const mhz of [8, 16]) expect(((mhz * 1e6) / 16) % LINK.BITS_A_SECOND).toBe(0);
    expect(LINK.BITS_A_SECOND / 10 / 1000).toBe(LINK.BYTES_A_MS);
  });
});
