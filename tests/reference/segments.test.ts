import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { SEGMENT_DIGITS } from "@/core/contract/segments";
import { simulate } from "@/core/engine/simulate";
import { SegmentDrivers } from "@/core/engine/segmentDrivers";
import { scanTableOf } from "@/core/firmware/scanTable";
import { textPatterns } from "@/core/keymap/segmentSigns";
import { readExample } from "../firmware/examples";

/** Segments by their letters, a on top and on clockwise, g in the middle (common practice). */
const FIGURES = ["abcdef", "bc", "abdeg", "abcdg", "bcfg", "acdfg", "acdefg", "abc", "abcdefg", "abcdfg"];

/** Bits of a driver that decodes nothing: DP A B C D E F G from the highest on (typical of the class, from memory). */
const lettersOf = (pattern: number) => [..."abcdefg"].filter((_, nth) => (pattern >> (6 - nth)) & 1).join("");

describe("figures", () => {
  it.each(FIGURES.map((segments, figure) => [figure, segments] as const))("%i is %s", (figure, segments) =>
    expect(lettersOf(SEGMENT_DIGITS[figure])).toBe(segments),
  );

  it("letters are those that are read as such (common practice)", () =>
    expect(textPatterns("AbCdEFHLPU-").map(lettersOf)).toEqual([
      ...["abcefg", "cdefg", "adef", "bcdeg", "adefg", "aefg", "bcefg", "def", "abefg", "bcdef", "g"],
    ]));
});

/** What a display of so many digits reads after the computer told a value. */
function readAfter(show: string, digits: number, value: number): string {
  const told = `at 30 told 00 00 00 00 00 00 00 00 ${value.toString(16).padStart(2, "0")}`;
  const { design } = readExample(`segments D: ${digits}\nshow D: ${show}\nstart 0b 07, 0c 01\n${told}`);
  const drivers = new SegmentDrivers(scanTableOf(design).segmentChains[0]);
  const run = simulate(
    design,
    {
      events: [{ atMs: 30, action: "tell", told: `0000000000000000${value.toString(16).padStart(2, "0")}` }],
      untilMs: 60,
    },
    { segments: (_, __, bytes) => drivers.take(bytes) },
  );
  if (!run.ok) throw new Error(JSON.stringify(run.problems));
  const [[, patterns]] = drivers.shown();
  return patterns
    .map((pattern) => {
      const letters = lettersOf(pattern);
      const figure = FIGURES.indexOf(letters);
      const sign = letters === "" ? " " : letters === "g" ? "-" : figure < 0 ? "?" : String(figure);
      return sign + (pattern & 0x80 ? "." : "");
    })
    .join("");
}

describe("numbers", () => {
  const settings = fc.record({
    low: fc.integer({ min: -32000, max: 32000 }),
    high: fc.integer({ min: -32000, max: 32000 }),
    point: fc.integer({ min: 0, max: 4 }),
    digits: fc.integer({ min: 1, max: 12 }),
    value: fc.integer({ min: 0, max: 255 }),
  });

  it("are what decimal arithmetic makes of the value, to the nearest, or minus signs where they do not fit", () =>
    fc.assert(
      fc.property(settings, ({ low, high, point, digits, value }) => {
        const seen = readAfter(`value 1 from ${low} to ${high} point ${point}`, digits, value);
        const exact = low + ((high - low) * value) / 255;
        const near = [Math.floor(exact), Math.ceil(exact)].filter((one) => Math.abs(one - exact) <= 0.5);
        const texts = near.map((number) => {
          const text = (number / 10 ** point).toFixed(point);
          const taken = text.replace(".", "").length;
          return taken > digits ? "-".repeat(digits) : text.padStart(digits + (point > 0 ? 1 : 0));
        });
        expect(texts).toContain(seen);
      }),
      { numRuns: 300, seed: 11 },
    ));

  it("begin asleep, and are dark until the drivers are told to wake (typical of the class, from memory)", () => {
    const { design } = readExample(`segments D: 4\nshow D: text 8888\nat 5 told 00`);
    const drivers = new SegmentDrivers(scanTableOf(design).segmentChains[0]);
    simulate(design, { events: [], untilMs: 40 }, { segments: (_, __, bytes) => drivers.take(bytes) });
    expect(drivers.shown()).toEqual([["D", [0, 0, 0, 0]]]);
    drivers.take(Uint8Array.from([0x0c, 1]));
    expect(drivers.shown()).toEqual([["D", [0, 0, 0, 0x7f]]]);
    drivers.take(Uint8Array.from([0x0b, 7]));
    expect(drivers.shown()).toEqual([["D", [0x7f, 0x7f, 0x7f, 0x7f]]]);
    drivers.take(Uint8Array.from([0x0f, 1]));
    expect(drivers.shown()).toEqual([["D", [0xff, 0xff, 0xff, 0xff]]]);
  });
});
