import { describe, expect, it } from "vitest";
import { demoDesigns } from "../../../demo";
import { finishedPad } from "../../../tests/support/designs";
import { mistreated } from "../../../tests/support/mistreated";
import { refusalOf } from "../document/gate";
import { findingsOf } from "./check";
import type { Finding } from "./finding";

const starts = [finishedPad(), finishedPad(5, 4), ...demoDesigns.filter(({ id }) => id !== "glasshouse")];

describe("Every fix, on designs that were mistreated at random", () => {
  const heard = new Map<string, number>();

  for (let seed = 1; seed <= 60; seed++)
    it(`keeps the design readable and settles its finding (seed ${seed})`, () => {
      const design = mistreated(starts[seed % starts.length], seed);
      for (const finding of findingsOf(design))
        for (const fix of finding.fixes) {
          const after = fix.apply(design);
          const about = `${finding.rule}: ${finding.message} → ${fix.title}`;
          expect(refusalOf(after, design), about).toBeNull();
          const isSame = (one: Finding) =>
            one.rule === finding.rule &&
            one.message === finding.message &&
            JSON.stringify(one.subjects) === JSON.stringify(finding.subjects);
          const left = findingsOf(after).filter(isSame);
          expect(left, about).toEqual([]);
          heard.set(finding.rule, (heard.get(finding.rule) ?? 0) + 1);
        }
    });

  it("has met many rules on the way", () => expect(heard.size).toBeGreaterThan(15));
});
