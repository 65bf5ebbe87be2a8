import { describe, expect, it } from "vitest";
import { PartBus } from "./partBus";

const never = () => 1;
const busOf = (parts: number, isShared: boolean) => new PartBus(parts, isShared, never);
const frame = (...bytes: number[]) => Uint8Array.from(bytes);

describe("a bus between a base and its modules", () => {
  // Nine clocks a byte at 400,000 a second, and the address in front: by hand, 22.5 µs for each of them.
  it("takes the time of its bytes, one transfer behind the other", () => {
    const bus = busOf(3, true);
    bus.send(1, frame(1, 2, 3), 0);
    bus.send(0, new Uint8Array(39).fill(7), 10);
    bus.ask(1, 10);
    // 40 bytes take 0.9 ms, and 4 more 0.09: together just below the next scan; one byte more comes too late for it.
    expect(bus.arrived(1, 10)).toHaveLength(0);
    expect(bus.arrived(2, 11)).toHaveLength(39);
    expect([...bus.arrived(0, 11)]).toEqual([1, 2, 3]);
    bus.send(0, new Uint8Array(45).fill(7), 20);
    bus.ask(1, 20);
    expect(bus.arrived(2, 21)).toHaveLength(0);
    expect(bus.arrived(2, 22)).toHaveLength(45);
    expect([...bus.arrived(0, 22)]).toEqual([1, 2, 3]);
  });

  it("shows a shared line to be pulled for all of its modules, and own lines for who pulls them", () => {
    const [shared, own] = [busOf(4, true), busOf(4, false)];
    for (const bus of [shared, own]) {
      expect(bus.calls()).toBe(0);
      bus.send(2, frame(9), 0);
      bus.call(2);
    }
    expect(shared.calls()).toBe(0b1110);
    expect(own.calls()).toBe(0b0100);
    for (const bus of [shared, own]) {
      bus.call(2);
      bus.ask(2, 1);
      expect(bus.calls()).toBe(0);
      expect(bus.told).toEqual({ called: 1, together: 1 });
    }
  });

  it("has nothing of a module that is pulled off, and nothing old once it is on again", () => {
    const bus = busOf(2, false);
    bus.send(1, frame(5), 0);
    bus.call(1);
    bus.setAway(1, true);
    expect(bus.calls()).toBe(0);
    bus.ask(1, 1);
    bus.send(0, frame(8), 1);
    bus.setAway(1, false);
    bus.ask(1, 2);
    expect(bus.arrived(0, 9)).toHaveLength(0);
    expect(bus.arrived(1, 9)).toHaveLength(0);
    bus.send(1, frame(6), 3);
    bus.ask(1, 3);
    expect([...bus.arrived(0, 9)]).toEqual([6]);
  });

  it("carries nothing while it is cut, and turns a bit of bytes that are damaged", () => {
    const bus = busOf(2, true);
    bus.send(1, frame(5), 0);
    bus.call(1);
    bus.trouble = { isCut: true, oneDamagedOf: 0 };
    expect(bus.calls()).toBe(0);
    bus.ask(1, 1);
    bus.send(0, frame(1), 1);
    expect([...bus.arrived(0, 9), ...bus.arrived(1, 9)]).toEqual([]);
    const damaging = new PartBus(2, true, () => 0);
    damaging.trouble = { isCut: false, oneDamagedOf: 2 };
    damaging.send(0, frame(4, 4), 0);
    expect([...damaging.arrived(1, 9)]).toEqual([5, 5]);
  });
});
