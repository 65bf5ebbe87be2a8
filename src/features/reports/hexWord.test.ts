import { describe, expect, it } from "vitest";
import { hexProblem, hexWord } from "./hexWord";

describe("numbers of two bytes in hexadecimal", () => {
  it("have four digits", () => expect([1, 0xf0f0, 0xffff].map(hexWord)).toEqual(["0001", "F0F0", "FFFF"]));

  it.each(["1", "f0f0", " FFFF "])("%s is one", (text) => expect(hexProblem(text, 0)).toBeNull());
  it.each(["", "12345", "0x12", "G000", "-1", "1.5"])("%j is none", (text) =>
    expect(hexProblem(text, 0)).toMatch(/^Four/),
  );
  it("have a least", () => expect(hexProblem("0", 1)).toBe("At least 0001."));
});
