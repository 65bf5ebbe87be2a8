import { describe, expect, it } from "vitest";
import type { ScanTable } from "../firmware/scanTable";
import { GROUND } from "../circuits/net";
import { DIODE_DROP_V, ElectricalWorld } from "./electricalWorld";

/** One sense line that leads to ground through so many diodes in a row, all contacts closed. */
function readsLow(diodes: number, inputHighMinV: number): boolean {
  const net = (nth: number) => (nth === 0 ? "sense" : nth === diodes ? GROUND : `n${nth}`);
  const plan: ScanTable = {
    strobeLines: [],
    senseLines: ["sense"],
    lampLines: [],
    tones: {},
    switches: [],
    encoders: [],
    lamps: [],
    chains: [],
    segmentChains: [],
    displays: [],
    sensors: [],
    settling: [],
    inputs: [],
    together: [],
    opposites: [],
    groups: [],
    conductors: Array.from({ length: diodes }, (_, nth) => ({
      contact: `c${nth}`,
      from: net(nth),
      to: net(nth + 1),
      diode: true,
    })),
    ladders: [],
    access: {},
    parts: [],
  };
  const world = new ElectricalWorld(plan, { inputHighMinV });
  for (const { contact } of plan.conductors) world.set(contact, true);
  const words = new Uint16Array(1);
  world.answer(words, 1);
  return (words[0] & 1) === 0;
}

describe("diodes in a row", () => {
  // A line is surely high from a voltage on; below it the chip may take it for low.
  it.each([0.9, 1.5, 2, 2.31, 3.5])("read low only while their drops stay below %f V", (inputHighMinV) => {
    for (let diodes = 1; diodes <= 9; diodes++)
      expect([diodes, readsLow(diodes, inputHighMinV)]).toEqual([diodes, diodes * DIODE_DROP_V < inputHighMinV]);
  });
});
