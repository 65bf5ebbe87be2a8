import { describe, expect, it } from "vitest";
import { HostStandIn } from "./hostText";

const host = () => new HostStandIn();
const pointer = (atMs: number, ...bytes: number[]) => ({
  atMs,
  interface: "pointer" as const,
  bytes: Uint8Array.from(bytes),
});
const deedsOf = (one: HostStandIn) => one.deeds.map(({ atMs, deed }) => `${atMs} ${deed}`);

describe("a computer that is told of the pointer", () => {
  it("adds up movements that follow each other, from their first on", () => {
    const one = host();
    one.receive(pointer(10, 0, 1, 0, 0, 0));
    one.receive(pointer(11, 0, 2, 0xff, 0, 0));
    one.receive(pointer(12, 0, 0, 0, 1, 0));
    expect(deedsOf(one)).toEqual(["10 pointer 3 right, 1 up, wheel up 1"]);
    expect(one.pointing).toEqual({ pointer: [3, -1], buttons: 0, wheel: [1, 0], place: null });
  });

  it("tells each button's press and release, and begins a new movement after them", () => {
    const one = host();
    one.receive(pointer(10, 0, 1, 0, 0, 0));
    one.receive(pointer(20, 0b101, 0, 0, 0, 0));
    one.receive(pointer(30, 0b100, 0xfe, 0, 0, 0));
    one.receive(pointer(40, 0, 0, 0, 0, 0));
    expect(deedsOf(one)).toEqual([
      "10 pointer 1 right",
      "20 primary button",
      "20 middle button",
      "30 pointer 2 left",
      "30 primary button let go",
      "40 middle button let go",
    ]);
  });

  it("says so when it is where it was", () => {
    const one = host();
    one.receive(pointer(10, 0, 1, 0, 0, 0));
    one.receive(pointer(11, 0, 0xff, 0, 0, 0));
    expect(deedsOf(one)).toEqual(["10 pointer there and back"]);
  });

  it("goes where it is put, tells where it came to, and counts movements from there", () => {
    const one = host();
    const put = (atMs: number, ...bytes: number[]) =>
      one.receive({ atMs, interface: "place", bytes: Uint8Array.from(bytes) });
    one.receive(pointer(5, 0, 9, 0, 0, 0));
    put(10, 0, 0xff, 0x7f, 0, 0);
    put(11, 0, 0, 0x20, 0xff, 0x3f);
    one.receive(pointer(20, 1, 0, 0, 0, 0));
    one.receive(pointer(30, 1, 4, 0, 0, 0));
    put(40, 0, 0, 0, 0, 0);
    expect(deedsOf(one)).toEqual([
      "5 pointer 9 right",
      "10 pointer at 25.0 % across, 50.0 % down",
      "20 primary button",
      "30 pointer 4 right",
      "40 pointer at 0.0 % across, 0.0 % down",
    ]);
    expect(one.pointing).toEqual({ pointer: [0, 0], buttons: 1, wheel: [0, 0], place: { across: 0, down: 0 } });
  });

  it("obeys the system's report at each press, once", () => {
    const one = host();
    const system = (atMs: number, byte: number) =>
      one.receive({ atMs, interface: "system", bytes: Uint8Array.of(byte) });
    system(10, 0b010);
    system(20, 0b110);
    system(30, 0);
    system(40, 0b010);
    expect(deedsOf(one)).toEqual(["10 System Sleep", "20 System Wake Up", "40 System Sleep"]);
  });
});
