import { describe, expect, it } from "vitest";
import { sayings } from "@/ui/drawing/ControlShape";
import { growingScale, growingSize, hiddenText, insteadClass, leastMm, textClass } from "@/ui/mat/readable";
import { type Action, found } from "./actions";

const action = (title: string, words = ""): Action => ({ title, words, run: () => {} });
const all = [
  action("Turn the mat over", "flip mirror back solder side"),
  action("Mirror Panel", "flip copy other half"),
  action("Ghosts and rollover", "ghost phantom"),
  action("Go to Pins", "gpio"),
];
const titles = (query: string) => found(all, query).map(({ title }) => title);

describe("the palette", () => {
  it("finds actions by other words than their names", () => {
    expect(titles("gpio")).toEqual(["Go to Pins"]);
    expect(titles("phantom")).toEqual(["Ghosts and rollover"]);
    expect(titles("flip")).toEqual(["Turn the mat over", "Mirror Panel"]);
  });

  it("puts names before other words", () => expect(titles("mirror")).toEqual(["Mirror Panel", "Turn the mat over"]));
  it("wants every part of what was typed", () => expect(titles("flip copy")).toEqual(["Mirror Panel"]));
  it("shows all for nothing, and nothing for nonsense", () => {
    expect(titles(" ")).toHaveLength(4);
    expect(titles("xyzzy")).toEqual([]);
  });
});

describe("text on the mat", () => {
  it("is left out where it would be smaller than nine pixels, and back with the zoom", () => {
    expect(hiddenText(3)).toContain(`.${textClass(2.9)}`);
    expect(hiddenText(3)).not.toContain(`.${textClass(3)}`);
    expect(hiddenText(12)).not.toContain(".mm-");
  });
  it("grows into the room it has, and no further", () => {
    expect(leastMm(2)).toBe(4.5);
    expect(growingSize(3, 5)).toBe("clamp(3px, calc(var(--least-mm, 0) * 1px), 5px)");
    expect(growingSize(3, 2)).toContain("3px)");
    expect(growingScale(2.5, 1.9)).toBe("scale(clamp(1, calc(var(--least-mm, 0) / 2.5), 1.9))");
  });
  it("is always shown when it is large", () => expect(hiddenText(1.5)).not.toContain(`.${textClass(7)}{`));
  it("has a shorter one that stands in just while it is left out", () => {
    const isHidden = (rule: string, name: string) => rule.split("{")[0].split(",").includes(`.bench-mat .${name}`);
    for (const pxPerMm of [0.5, 1.6, 3, 6, 12])
      for (const sizeMm of [0.3, 1, 2.3, 3, 5.9, 8])
        expect(isHidden(hiddenText(pxPerMm), insteadClass(sizeMm))).toBe(
          !isHidden(hiddenText(pxPerMm), textClass(sizeMm)),
        );
  });
  it("is shortened by its long lines, and of three lines by the middle one", () => {
    const said = (...lines: string[]) => sayings(lines).map((way) => way.join(" "));
    expect(said("hold", "Pattern")).toEqual(["hold Pattern", "hold Patt…", "hold Pat…"]);
    expect(said("Left", "Ctrl", "+ S")).toEqual(["Left Ctrl + S", "Left… + S", "Lef… + S"]);
    expect(said("hold", "Camera", "layer")).toEqual([
      "hold Camera layer",
      "hold Came… layer",
      "hold… layer",
      "hol… lay…",
    ]);
    expect(sayings(["A"])).toEqual([["A"]]);
  });
});
