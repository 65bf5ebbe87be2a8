import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import { textDigits } from "../firmware/segments";
import { digitsOfNumber, digitsOfText, patternWords, textPatterns, unshownSigns } from "./segmentSigns";
import { segmentPhrase } from "./segmentWords";

describe("signs of seven segments", () => {
  it("read back as they were written, points beside their digits", () => {
    expect(patternWords(textPatterns("12.5"))).toBe("12.5");
    expect(patternWords(textPatterns("-8,0"))).toBe("-8.0");
    expect(patternWords(textPatterns("  7"))).toBe("7");
    expect(patternWords([0xff, 0x7c])).toBe("8.?");
  });

  it("are counted by digits", () => {
    expect(digitsOfText("12.5")).toBe(3);
    expect(digitsOfText("..")).toBe(2);
    expect(digitsOfText("1..")).toBe(2);
    expect(digitsOfNumber(-50, 1)).toBe(3);
    expect(digitsOfNumber(5, 2)).toBe(3);
    expect(digitsOfNumber(0, 0)).toBe(1);
  });

  it("of those that there are none, each is named once", () => {
    expect(unshownSigns("kiwi mix")).toEqual(["k", "w", "m", "x"]);
    expect(unshownSigns("constructor 0.1")).toEqual([]);
    expect(textPatterns("K")).toEqual([0]);
  });

  it("of a text that is too long the end is lost, of a short one digits stay dark", () => {
    expect(textDigits("123", 2)).toEqual([0x6d, 0x30]);
    expect(textDigits("1", 3)).toEqual([0, 0, 0x30]);
  });
});

it("what a display shows is said in words", () => {
  const design = finishedPad();
  const value = { shows: "value", elementId: "e1:turn", low: -50, high: 300, point: 1 } as const;
  expect(segmentPhrase(design, value)).toBe("shows the value of E1, -5.0 to 30.0");
  expect(segmentPhrase(design, { ...value, elementId: "computer:3" })).toBe(
    "shows the value of something that is gone, -5.0 to 30.0",
  );
  expect(segmentPhrase(design, { shows: "text", text: "run" })).toBe("shows “run”");
  expect(segmentPhrase(design, { shows: "dark" })).toBe("shows nothing");
});
