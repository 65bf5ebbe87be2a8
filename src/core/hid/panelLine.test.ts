import { describe, expect, it } from "vitest";
import { panelLines, readPanelLine } from "./panelLine";

describe("lines that tell a panel", () => {
  it("name a flag or a value by its number, and what it is now", () => {
    expect(readPanelLine("flag 64 1")).toEqual({ of: "flags", nth: 63, to: 1 });
    expect(readPanelLine("value 1 255")).toEqual({ of: "values", nth: 0, to: 255 });
  });

  it.each([
    "",
    "flag 0 1",
    "flag 65 1",
    "flag 1 2",
    "value 9 1",
    "value 1 256",
    "Value 1 1",
    "value 1",
    "value 1 1 1",
    "values 1 1",
  ])("are none: %j", (text) => expect(readPanelLine(text)).toBeNull());

  it("tell what has changed, and nothing else", () => {
    const before = { flags: [true, false], values: [1, 2] };
    expect(panelLines(before, { flags: [true, true], values: [1, 7, 9] })).toEqual([
      "flag 2 1",
      "value 2 7",
      "value 3 9",
    ]);
    expect(panelLines(before, { flags: [], values: [1, 2] })).toEqual(["flag 1 0"]);
    expect(panelLines(before, before)).toEqual([]);
  });
});
