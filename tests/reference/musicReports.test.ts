import { inOrder } from "@/core/hid/interfaceKinds";
import { describe, expect, it } from "vitest";
import { bytesOf } from "@/core/hid/descriptorWriter";
import { musicItems } from "@/core/hid/musicInterfaces";
import { configurationDescriptor } from "@/core/hid/usbDescriptors";
import { usbLayout } from "@/core/hid/usbLayout";
import { plainReports } from "@/core/hid/reportShape";
import { simulate } from "@/core/engine/simulate";
import { readExample } from "../firmware/examples";

/** Descriptors one after another, each by its own length. */
function split(bytes: readonly number[]): number[][] {
  const all: number[][] = [];
  for (let at = 0; at < bytes.length; at += bytes[at]) all.push(bytes.slice(at, at + bytes[at]));
  return all;
}

describe("the interfaces of music (USB Device Class Definition for MIDI Devices 1.0, appendix B, from memory)", () => {
  const parts = split([...bytesOf(musicItems(2, 3, 32))]);

  it("are a control interface without an endpoint that knows its streaming one", () => {
    const [control, header] = parts;
    // Interface: class audio 1, subclass audio control 1, no endpoint (table B-3).
    expect(control).toEqual([9, 4, 2, 0, 0, 1, 1, 0, 0]);
    // Class-specific header: audio class 1.00, its whole length 9, one streaming interface, which is number 3 (table B-4).
    expect(header).toEqual([9, 0x24, 1, 0, 1, 9, 0, 1, 3]);
  });

  it("are a streaming interface with one jack from outside, one to the computer, and what carries it", () => {
    const [, , streaming, header, outside, inside, endpoint, carries] = parts;
    expect(streaming).toEqual([9, 4, 3, 0, 1, 1, 3, 0, 0]); // class audio, subclass MIDI streaming 3 (table B-5)
    expect(header.slice(0, 5)).toEqual([7, 0x24, 1, 0, 1]); // MS header, version 1.00 (table B-6)
    // Its length counts all class-specific descriptors and the endpoint behind it, as the example of the standard does.
    expect(header[5] | (header[6] << 8)).toBe(parts.slice(3).reduce((sum, { length }) => sum + length, 0));
    expect(outside).toEqual([6, 0x24, 2, 2, 1, 0]); // MIDI IN jack, external, ID 1 (table B-8)
    expect(inside).toEqual([9, 0x24, 3, 1, 2, 1, 1, 1, 0]); // MIDI OUT jack, embedded, ID 2, one pin from jack 1 (table B-9)
    expect(endpoint).toEqual([9, 5, 0x83, 2, 32, 0, 0, 0, 0]); // audio endpoints have nine bytes; IN, bulk (table B-13)
    expect(carries).toEqual([5, 0x25, 1, 1, 2]); // one embedded jack, ID 2 (table B-14)
    expect(parts).toHaveLength(8);
  });

  it("listen too: a jack from the computer, one to the outside, and what carries it on an endpoint of its own", () => {
    const both = split([...bytesOf(musicItems(2, 3, 32, 5))]);
    const [, , streaming, header, ...rest] = both;
    expect(streaming[4]).toBe(2); // two endpoints
    expect(header[5]).toBe(both.slice(3).reduce((sum, { length }) => sum + length, 0));
    const jacks = rest.filter(([, type, subtype]) => type === 0x24 && (subtype === 2 || subtype === 3));
    // Subtype 2 in, 3 out; type 1 embedded, 2 external; each out jack names the in jack that feeds it (tables B-7 to B-10).
    expect(jacks.map(([, , subtype, type, id]) => [subtype, type, id])).toEqual([
      [2, 2, 1],
      [3, 1, 2],
      [2, 1, 3],
      [3, 2, 4],
    ]);
    expect(jacks.filter(([, , subtype]) => subtype === 3).map((jack) => jack[6])).toEqual([1, 3]);
    const endpoints = rest.filter(([, type]) => type === 5 || type === 0x25).slice(-2);
    expect(endpoints).toEqual([
      [9, 5, 0x05, 2, 32, 0, 0, 0, 0],
      [5, 0x25, 1, 1, 3],
    ]);
  });

  it("stand last, whatever the order they were declared in, and are counted as two", () => {
    expect(inOrder(["music", "keyboard", "live"])).toEqual(["keyboard", "live", "music"]);
    expect(usbLayout([["keyboard"], ["music"]])).toMatchObject({ interfaces: 3, endpoints: 2, serial: null });
    const [configuration, ...rest] = split(configurationDescriptor(usbLayout([["keyboard"], ["music"]]), plainReports));
    expect(configuration[2] | (configuration[3] << 8)).toBe([configuration, ...rest].flat().length);
    expect(configuration[4]).toBe(3);
    const interfaces = rest.filter(([, type]) => type === 4);
    expect(interfaces.map(([, , number, , , kind]) => [number, kind])).toEqual([
      [0, 3],
      [1, 1],
      [2, 1],
    ]);
    const endpoints = rest.filter(([, type]) => type === 5);
    expect(endpoints.map(([, , address]) => address)).toEqual([0x81, 0x82]);
  });
});

describe("events (MIDI 1.0, table I and II; USB MIDI 1.0, table 4-1)", () => {
  /** Kind of event by the upper half of the status: note off 8, on 9, control 11, program 12, pitch 14. */
  const KINDS: Record<number, number> = { 0x80: 8, 0x90: 9, 0xb0: 11, 0xc0: 12, 0xe0: 14 };

  const packets = (setup: string, untilMs = 400) => {
    const { design, events } = readExample(setup);
    const run = simulate(design, { events, untilMs });
    if (!run.ok) throw new Error(JSON.stringify(run.problems));
    return run.value.reports.flatMap(({ bytes }) =>
      Array.from({ length: bytes.length / 4 }, (_, nth) => [...bytes.slice(4 * nth, 4 * nth + 4)]),
    );
  };

  it("carry the kind of their status on cable 0, and values of seven bits", () => {
    const all = packets(`key A: note 127 127 16
key B: controller 119 127 9
key C: program 127 3
stick S
axis S x: plain
use S x: music bend 0 12
at 10 press A
at 30 press B
at 50 press C
at 70 set S x 100
at 90 set S x -100
at 110 release A
at 130 release B`);
    expect(all.length).toBeGreaterThan(6);
    for (const [kind, status, first, second] of all) {
      expect(kind).toBe(KINDS[status & 0xf0]);
      expect(first).toBeLessThan(128);
      expect(second).toBeLessThan(128);
    }
    const statuses = new Set(all.map(([, status]) => status));
    expect([...statuses].sort()).toEqual([0x8f, 0x9f, 0xb8, 0xc2, 0xeb].sort());
  });

  it("bend the pitch by 14 bits, the low seven first, 0x2000 at rest", () => {
    const told = packets(`stick S
axis S x: dead 5 each
use S x: music bend
at 10 set S x 100
at 30 set S x 0
at 50 set S x -100`).map(([, , low, high]) => low | (high << 7));
    expect(told).toEqual([0x3fff, 0x2000, 0]);
  });

  it("split a controller of 14 bits into the coarse one and the fine one 32 above it (MIDI 1.0, table III)", () => {
    const told = packets(`pot P
axis P: plain
use P: music fine 7
at 10 set P 30`);
    expect(told.map(([, , controller]) => controller)).toEqual([7, 39, 7, 39]);
    const value = (told[2][3] << 7) | told[3][3];
    expect(Math.abs(value / 16383 - 0.3)).toBeLessThan(0.001);
  });
});
