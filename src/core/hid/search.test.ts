import { describe, expect, it } from "vitest";
import { keyboardUsageNamed, modifierNames } from "./keyboardUsages";
import { searchUsages } from "./searchUsages";

const first = (query: string) => searchUsages(query)[0]?.name;

describe("searching a usage", () => {
  it.each([
    ["a", "a and A"],
    ["1", "1 and !"],
    ["enter", "Return (Enter)"],
    ["F13", "F13"],
    ["right arrow", "RightArrow"],
    ["volume up", "Volume Increment"],
    ["left shift", "LeftShift"],
    ["mute", "Mute"],
    ["space", "Spacebar"],
    ["louder", "Volume Increment"],
  ])("%s finds %s first", (query, name) => expect(first(query)).toBe(name));

  it("finds nothing for nonsense", () => expect(searchUsages("qwxyz")).toEqual([]));
  it("lists everything for nothing", () => expect(searchUsages(" ").length).toBeGreaterThan(150));
});

describe("names to show", () => {
  it.each([
    [0x04, "A"],
    [0x1e, "1"],
    [0x28, "Enter"],
    [0x2c, "Space"],
    [0x52, "Up Arrow"],
    [0xe1, "Left Shift"],
    [0xa5, "usage 0xA5"],
  ])("%i is %s", (usage, name) => expect(keyboardUsageNamed(usage)).toBe(name));

  it("name modifiers in the order of the report's bits", () =>
    expect(modifierNames(0b1000_0011)).toEqual(["Left Control", "Left Shift", "Right GUI"]));
});
