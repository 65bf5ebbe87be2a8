import { describe, expect, it } from "vitest";
import { usEnglish } from "../languages/usEnglish";
import { heardOf } from "./hostMusic";
import { silence } from "./musicHeard";
import { HostStandIn } from "./hostText";

const after = (...reports: number[][]) =>
  reports.reduce((heard, bytes, atMs) => heardOf(heard, { atMs, bytes: Uint8Array.from(bytes) }), silence);

describe("a computer that plays music", () => {
  it("hears notes until they are let go of, each once", () => {
    const on = after([9, 0x90, 60, 96, 9, 0x91, 60, 50], [9, 0x90, 60, 20]);
    expect(on.sounding).toEqual([
      { channel: 1, note: 60, velocity: 50 },
      { channel: 0, note: 60, velocity: 20 },
    ]);
    expect(after([9, 0x90, 60, 96], [8, 0x80, 60, 64]).sounding).toEqual([]);
    expect(after([9, 0x90, 60, 96], [9, 0x90, 60, 0]).sounding).toEqual([]);
  });

  it("lets go of all notes of a channel when it is told so", () =>
    expect(after([9, 0x90, 60, 96, 9, 0x91, 62, 96], [0xb, 0xb0, 123, 0]).sounding).toEqual([
      { channel: 1, note: 62, velocity: 96 },
    ]));

  it("knows program, pitch and controllers of each channel", () =>
    expect(after([0xc, 0xc1, 4, 0, 0xb, 0xb1, 7, 90, 0xe, 0xe1, 0, 0x50, 0xb, 0xb0, 1, 3]).channels).toEqual({
      0: { program: 0, bend: 0, controllers: { 1: 3 } },
      1: { program: 4, bend: 2048, controllers: { 7: 90 } },
    }));

  it("lists what came, at most the last hundred", () => {
    const many = after(...Array.from({ length: 130 }, (_, nth) => [0xb, 0xb0, 1, nth % 128]));
    expect(many.events).toHaveLength(100);
    expect(many.events.at(-1)).toEqual({ atMs: 129, words: "controller 1 (modulation) at 1, channel 1" });
  });

  it("types nothing of music, nor of a game pad", () => {
    const host = new HostStandIn(usEnglish, heardOf);
    host.receive({ atMs: 1, interface: "music", bytes: Uint8Array.from([9, 0x90, 60, 96]) });
    host.receive({ atMs: 2, interface: "pad", bytes: Uint8Array.from([1, 0, 4, 5, 6]) });
    expect(host.text).toBe("");
    expect(host.deeds).toEqual([]);
    expect(host.heard.sounding).toHaveLength(1);
  });
});
