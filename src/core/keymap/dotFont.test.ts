import { describe, expect, it } from "vitest";
import { glyphOf, signsOf, undrawnSigns } from "./dotFont";

/** A sign's columns as a person sees them. */
const seen = (sign: string): string[] =>
  Array.from({ length: 8 }, (_, row) =>
    glyphOf(sign)
      .map((column) => ((column >> row) & 1 ? "#" : "."))
      .join(""),
  );

describe("signs of dots", () => {
  it.each<[string, string[]]>([
    ["K", ["#...#", "#..#.", "#.#..", "##...", "#.#..", "#..#.", "#...#", "....."]],
    ["g", [".....", ".....", ".####", "#...#", "#...#", ".####", "....#", ".###."]],
    ["4", ["...#.", "..##.", ".#.#.", "#..#.", "#####", "...#.", "...#.", "....."]],
    ["ä", [".#.#.", ".....", ".###.", "....#", ".####", "#...#", ".####", "....."]],
    ["É", ["..##.", "#####", "#....", "####.", "#....", "#....", "#####", "....."]],
    ["ç", [".....", ".....", ".###.", "#....", "#....", "#...#", ".###.", "..#.."]],
  ])("draw %s", (sign, rows) => expect(seen(sign)).toEqual(rows));

  it("draw a letter however its mark is written, and typographic signs as plain ones", () => {
    expect(signsOf("a\u0308b")).toEqual(["ä", "b"]);
    expect(glyphOf("–")).toEqual(glyphOf("-"));
    expect(glyphOf("’")).toEqual(glyphOf("'"));
  });

  it("are a box where there is none, which is told", () => {
    expect(undrawnSigns("a☃b☃ü")).toEqual(["☃"]);
    expect(glyphOf("☃")).toEqual(glyphOf("漢"));
    expect(undrawnSigns("constructor __proto__")).toEqual([]);
    expect(undrawnSigns("Straße, Łódź")).toEqual(["Ł"]);
  });

  it("have all signs of a keyboard, no two alike, within five columns", () => {
    const printable = Array.from({ length: 95 }, (_, nth) => String.fromCharCode(32 + nth));
    expect(undrawnSigns(printable.join(""))).toEqual([]);
    const glyphs = printable.map((sign) => glyphOf(sign).join(" "));
    expect(new Set(glyphs).size).toBe(printable.length);
    for (const sign of printable) expect(glyphOf(sign)).toHaveLength(5);
  });
});
