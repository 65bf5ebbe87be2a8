import { describe, expect, it } from "vitest";
import { readDesign } from "../document/readDesign";
import { pad } from "../../../tests/support/designs";
import { answerTest, huntFault, noteRepair, setEfforts, takeAnswerBack, testAnew } from "./bringUp";

const start = pad();

describe("what is kept of tests", () => {
  it("keeps answers in their order; the same test made again replaces what it told", () => {
    const twice = answerTest(answerTest(answerTest(start, "a", "x"), "b", ""), "a", "y");
    expect(twice.bringUp?.answers).toEqual([
      { trial: "b", came: "" },
      { trial: "a", came: "y" },
    ]);
    expect(takeAnswerBack(twice, "b").bringUp?.answers).toEqual([{ trial: "a", came: "y" }]);
    expect(takeAnswerBack(start, "nothing of the sort").bringUp?.answers).toEqual([]);
  });

  it("a repair forgets what it touched and asks for it again; the hunt is over", () => {
    const hunted = huntFault(answerTest(answerTest(start, "a", "x"), "b", ""), true);
    const mended = noteRepair(hunted, "the joint", "2030-01-02T03:04:05Z", ["a", "c"]);
    expect(mended.bringUp).toMatchObject({
      answers: [{ trial: "b", came: "" }],
      retests: ["a", "c"],
      repairs: [{ what: "the joint", at: "2030-01-02T03:04:05Z" }],
    });
    expect(mended.bringUp?.isHunted).toBeUndefined();
    expect(answerTest(mended, "a", "").bringUp?.retests).toEqual(["c"]);
    expect(testAnew(mended).bringUp?.repairs).toHaveLength(1);
    expect(testAnew(mended).bringUp?.answers).toEqual([]);
  });

  it("goes into a file and comes back; names of JavaScript properties are names like others", () => {
    const design = setEfforts(answerTest(huntFault(start, true), "constructor", "__proto__"), {
      press: 1,
      sweep: 2,
      bend: 4,
      meter: 8,
    });
    const read = readDesign(JSON.parse(JSON.stringify(design)));
    expect(read).toEqual({ ok: true, value: JSON.parse(JSON.stringify(design)) });
    const wrong = readDesign({ ...JSON.parse(JSON.stringify(design)), bringUp: { answers: "many" } });
    expect(wrong.ok).toBe(false);
  });
});
