import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { TypingLog } from "./typingLog";
import { leastEdits, measuresFrom, measuresOf } from "./typingMeasures";

/** Signs typed one after another, "<" taking the last one away, at a time each. */
function typed(presented: string, keys: string, everyMs = 200): TypingLog {
  const log = new TypingLog(presented);
  let text = "";
  [...keys].forEach((key, nth) => {
    text = key === "<" ? text.slice(0, -1) : text + key;
    log.shows(text, 1000 + nth * everyMs);
  });
  return log;
}

describe("least edits", () => {
  it("are a distance: none to itself, the same both ways, never longer than by a third text", () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 8 }), fc.string({ maxLength: 8 }), fc.string({ maxLength: 8 }), (a, b, c) => {
        expect(leastEdits(a, a)).toBe(0);
        expect(leastEdits(a, b)).toBe(leastEdits(b, a));
        expect(leastEdits(a, c)).toBeLessThanOrEqual(leastEdits(a, b) + leastEdits(b, c));
        expect(leastEdits(a, b)).toBeGreaterThanOrEqual(Math.abs([...a].length - [...b].length));
      }),
    ));

  it("count signs, not halves of them", () => expect(leastEdits("a😀c", "abc")).toBe(1));
});

describe("a line that is typed", () => {
  it("has no errors where nothing was wrong, and its clock runs from the first sign to the last", () => {
    const { passage } = typed("abc de", "abc de");
    expect(passage).toMatchObject({ incorrectFixed: 0, keystrokes: 6, seconds: 1 });
    const { wordsPerMinute, totalErrors, keystrokesPerSign } = measuresOf(passage);
    expect([wordsPerMinute, totalErrors, keystrokesPerSign]).toEqual([60, 0, 1]);
  });

  it("counts what was taken back as fixed, and what stands wrong as not", () => {
    const { passage } = typed("abcd", "abx<cy");
    expect(passage).toMatchObject({ transcribed: "abcy", incorrectFixed: 1, keystrokes: 6 });
    const { uncorrectedErrors, correctedErrors, totalErrors } = measuresOf(passage);
    // C = 3, INF = 1, IF = 1.
    expect([uncorrectedErrors, correctedErrors, totalErrors]).toEqual([0.2, 0.2, 0.4]);
  });

  it("charges a sign that was wrong once, however often it is tried, and nobody for what follows it", () => {
    const { of } = typed("abcd", "axyz<<<bcd");
    expect(of.get("b")).toEqual({ tries: 1, errors: 1, rightMs: 0 });
    expect(of.has("a")).toBe(false);
    expect(of.get("c")).toEqual({ tries: 1, errors: 0, rightMs: 200 });
    expect(of.get("d")).toEqual({ tries: 1, errors: 0, rightMs: 200 });
  });

  it("charges one that was typed right, taken back and typed again only once", () => {
    const { of } = typed("abc", "ab<bc");
    expect(of.get("b")).toEqual({ tries: 1, errors: 0, rightMs: 200 });
  });

  it("takes a pause out of the finger's time", () => {
    const log = new TypingLog("abc");
    log.shows("a", 0);
    log.shows("ab", 60_000);
    log.shows("abc", 60_300);
    expect(log.of.has("b")).toBe(false);
    expect(log.of.get("c")?.rightMs).toBe(300);
  });

  it("is kept against as much of the text as was typed", () => {
    const run = typed("abcdefgh", "abx").run("r", "2026-03-01T10:00:00Z");
    expect(run.typed).toEqual({ presented: 3, transcribed: 3, distance: 1, incorrectFixed: 0, keystrokes: 3 });
    expect(measuresFrom({ ...run.typed!, seconds: run.seconds }).totalErrors).toBeCloseTo(1 / 3, 9);
  });

  it("adds up, whatever is typed: every keystroke is a sign that stands, or one that was taken away and its taking away", () =>
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 12, unit: fc.constantFrom("a", "b", " ") }),
        fc.string({ maxLength: 30, unit: fc.constantFrom("a", "b", " ", "<") }),
        (presented, keys) => {
          const { passage, of } = typed(presented, keys);
          expect(passage.keystrokes).toBe([...passage.transcribed].length + 2 * passage.incorrectFixed);
          const { totalErrors, uncorrectedErrors, correctedErrors } = measuresOf(passage);
          expect(totalErrors).toBeCloseTo(uncorrectedErrors + correctedErrors, 9);
          expect(totalErrors).toBeGreaterThanOrEqual(0);
          expect(totalErrors).toBeLessThanOrEqual(1);
          for (const { tries, errors } of of.values()) expect(errors).toBeLessThanOrEqual(tries);
        },
      ),
    ));

  it("is nothing where nothing was typed", () => {
    expect(measuresOf(typed("abc", "").passage)).toMatchObject({ wordsPerMinute: 0, keystrokesPerSign: 0 });
    expect(
      measuresFrom({ presented: 0, transcribed: 0, distance: 0, incorrectFixed: 0, keystrokes: 0, seconds: 0 })
        .totalErrors,
    ).toBe(0);
  });
});
