import { describe, expect, it } from "vitest";
import type { LineAccess } from "../circuits/lineAccess";
import { readingOrder } from "./readingOrder";

const channel = (chip: number, number: number): LineAccess => ({
  by: "channel",
  data: `d${chip}`,
  select: ["s0", "s1"],
  chip,
  channel: number,
});
const bit = (clock: string, number: number): LineAccess => ({
  by: "in-register",
  clock,
  latch: "l",
  data: "d",
  bit: number,
});

describe("the order in which sense lines are read", () => {
  it("leaves plain lines as they come", () => expect(readingOrder(["b", "a"], {})).toEqual(["b", "a"]));

  it("puts lines of registers and multiplexers first, each chain bit by bit", () => {
    const access = {
      a: channel(2, 0),
      b: channel(1, 9),
      c: channel(1, 1),
      e: bit("c1", 3),
      f: bit("c1", 0),
      g: bit("c2", 1),
    };
    expect(readingOrder(["x", "a", "b", "c", "y", "e", "f", "g"], access)).toEqual([
      "c",
      "b",
      "a",
      "f",
      "e",
      "g",
      "x",
      "y",
    ]);
  });

  it("takes a line's name for no more than a name", () =>
    expect(readingOrder(["constructor", "a"], { a: bit("c", 0) })).toEqual(["a", "constructor"]));
});
