import { describe, expect, it } from "vitest";
import { leastEdits, measuresOf } from "@/core/practice/typingMeasures";

/** An alignment worked out by trying every one: put in, leave out, change, or keep, sign by sign. */
function byTrying(a: string, b: string): number {
  if (a === "") return b.length;
  if (b === "") return a.length;
  return Math.min(
    byTrying(a.slice(1), b) + 1,
    byTrying(a, b.slice(1)) + 1,
    byTrying(a.slice(1), b.slice(1)) + (a[0] === b[0] ? 0 : 1),
  );
}

describe("text entry by the definitions of its research", () => {
  // R. W. Soukoreff and I. S. MacKenzie, "Measuring errors in text entry tasks" (CHI 2001), from memory: the example of "quickly" typed as "qucehkly".
  it("the classic example: quickly typed as qucehkly is three edits away", () => {
    expect(leastEdits("quickly", "qucehkly")).toBe(3);
    expect(byTrying("quickly", "qucehkly")).toBe(3);
  });

  it("the least edits are the least of all alignments there are, over every pair of short texts", () => {
    const texts = ["", "a", "b", "ab", "ba", "aba", "bab", "abba", "aabb", "abab", "baba"];
    for (const a of texts) for (const b of texts) expect(leastEdits(a, b), `${a} ${b}`).toBe(byTrying(a, b));
  });

  // I. S. MacKenzie, "A note on calculating text entry speed" (2002), from memory: 43 signs in 30 s are (43 - 1) / 30 × 60 / 5 = 16.8 words a minute.
  it("words a minute leave out the first sign, whose time nobody measured", () => {
    const sentence = "the quick brown fox jumps over the lazy dog";
    expect(sentence).toHaveLength(43);
    const { wordsPerMinute } = measuresOf({
      presented: sentence,
      transcribed: sentence,
      incorrectFixed: 0,
      keystrokes: 43,
      seconds: 30,
    });
    expect(wordsPerMinute).toBeCloseTo(16.8, 9);
  });

  // R. W. Soukoreff and I. S. MacKenzie, "Metrics for text entry research" (CHI 2003), from memory: with C, INF, IF the rates are parts of C + INF + IF.
  it("error rates part what was typed into correct, wrong and left, wrong and mended", () => {
    const measures = measuresOf({
      presented: "the quick brown",
      transcribed: "the quixk brown",
      incorrectFixed: 3,
      keystrokes: 21,
      seconds: 10,
    });
    const [correct, left, mended] = [14, 1, 3];
    const all = correct + left + mended;
    expect(measures.uncorrectedErrors).toBeCloseTo(left / all, 12);
    expect(measures.correctedErrors).toBeCloseTo(mended / all, 12);
    expect(measures.totalErrors).toBeCloseTo((left + mended) / all, 12);
    expect(measures.keystrokesPerSign).toBeCloseTo(21 / 15, 12);
  });
});
