import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { ohmOf, ohmWords } from "./ohmWords";

describe("a resistance in words", () => {
  it.each([
    [470, "470 Ω"],
    [999, "999 Ω"],
    [1000, "1 kΩ"],
    [1800, "1.8 kΩ"],
    [4700, "4.7 kΩ"],
    [2_200_000, "2.2 MΩ"],
  ])("%d is %s", (ohm, words) => {
    expect(ohmWords(ohm)).toBe(words);
    expect(ohmOf(words)).toBe(ohm);
  });

  it("is read back whatever it is", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99_999 }), fc.integer({ min: 0, max: 3 }), (digits, power) => {
        const ohm = digits * 10 ** power;
        expect(ohmOf(ohmWords(ohm))! / ohm).toBeCloseTo(1, 5);
      }),
    );
  });

  it("is none where the words are another thing", () => {
    for (const words of ["resistor", "1N4148", "", "4.7 kHz"]) expect(ohmOf(words)).toBeNull();
  });
});
