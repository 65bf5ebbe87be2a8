import { describe, expect, it } from "vitest";
import { musicEventWords } from "../hid/musicEvents";
import { SocketEar } from "./socketHeard";
import { SocketReceiver } from "./socketReceiver";

const heard = (...bytes: number[]) => new SocketReceiver().take(Uint8Array.from(bytes)).map(musicEventWords);

describe("an instrument on a socket", () => {
  it("keeps a status until the next one comes", () =>
    expect(heard(0x90, 60, 96, 64, 100, 0x81, 60, 64)).toEqual([
      "C4 on, velocity 96, channel 1",
      "E4 on, velocity 100, channel 1",
      "C4 off, channel 2",
    ]));

  it("takes a note on of velocity 0 for a note off", () => expect(heard(0x90, 60, 0)).toEqual(["C4 off, channel 1"]));

  it("waits for what comes in the next bytes", () => {
    const receiver = new SocketReceiver();
    expect(receiver.take(Uint8Array.of(0xc2, 11, 0xb2, 7)).map(musicEventWords)).toEqual(["program 12, channel 3"]);
    expect(receiver.take(Uint8Array.of(100))).toHaveLength(1);
  });

  it("makes no event of what was cut off, or belongs to none, and counts it", () => {
    const receiver = new SocketReceiver();
    expect(receiver.take(Uint8Array.of(1, 2, 0x90, 60, 0x90, 61, 1, 0xf1, 62, 1))).toHaveLength(1);
    expect(receiver.lost).toBe(5);
  });

  it("lets bytes of real time pass between all others", () =>
    expect(heard(0x90, 0xf8, 60, 0xfe, 96, 64, 0xff, 96)).toHaveLength(2));

  it("tells what sounds, and the last bytes with their milliseconds", () => {
    const ear = new SocketEar();
    ear.take(10, Uint8Array.of(0x90, 60, 96));
    ear.take(11, Uint8Array.of(64, 96));
    expect(ear.now.heard.sounding.map(({ note }) => note)).toEqual([60, 64]);
    for (let ms = 12; ms < 40; ms++) ear.take(ms, Uint8Array.of(0x80, 60, 64));
    expect(ear.now.bytes).toHaveLength(12);
    expect(ear.now.bytes.at(-1)).toEqual({ atMs: 39, bytes: [0x80, 60, 64] });
    expect(ear.now.heard.sounding.map(({ note }) => note)).toEqual([64]);
  });
});
