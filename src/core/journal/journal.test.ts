import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { assemblyOf } from "../assembly/assembly";
import type { JournalEntry } from "../document/journalSettings";
import { stepDone } from "../edits/build";
import { noteRepair } from "../edits/bringUp";
import { writeEntry } from "../edits/journal";
import { purchaseView } from "../purchase/purchaseView";
import { minutesWords, partWords, valueWords } from "./entryWords";
import { planAndReal } from "./planAndReal";
import { nextRevisionName, tasksOf } from "./revisions";
import { timelineOf } from "./timeline";

const pad = finishedPad();
const write = (design: typeof pad, ...entries: (Partial<JournalEntry> & { id: string })[]) =>
  entries.reduce(
    (d, more, nth) =>
      writeEntry(d, { at: `2026-03-${String(nth + 10)}T10:00:00Z`, kind: "note", text: more.id, ...more }),
    design,
  );

describe("words of entries", () => {
  it.each([
    [0, "0 min"],
    [59.4, "59 min"],
    [60, "1 h"],
    [150, "2 h 30 min"],
    [119.9, "2 h"],
  ])("%d minutes are %s", (minutes, words) => expect(minutesWords(minutes)).toBe(words));

  it("tell a value as its kind counts it", () => {
    expect(valueWords({ kind: "measurement", value: 4.93, unit: "V" })).toBe("4.93 V");
    expect(valueWords({ kind: "measurement", value: 0.1 + 0.2 })).toBe("0.3");
    expect(valueWords({ kind: "money", value: 12.5 })).toBe("12.50");
    expect(valueWords({ kind: "time", value: 90 })).toBe("1 h 30 min");
    expect(valueWords({ kind: "note" })).toBe("");
  });

  it("name parts that are there and count those that are gone", () => {
    expect(partWords(pad, ["k1", "constructor", "gone"])).toBe(`${pad.controls[0].label} and 2 that are gone`);
    expect(partWords(pad, ["__proto__"])).toBe("one that is gone");
    expect(partWords(pad)).toBe("");
  });
});

describe("the timeline", () => {
  it("has every entry and every repair once, by time", () => {
    const repaired = noteRepair(pad, "the joint of K1", "2026-03-10T12:00:00Z", []);
    const lines = timelineOf(write(repaired, { id: "a" }, { id: "b", parts: ["k1", "gone"] }));
    expect(lines.map(({ id }) => id)).toEqual(["a", "repair 0", "b"]);
    expect(lines[1]).toMatchObject({ kind: "repair", entry: null, text: "the joint of K1" });
    expect(lines[2].partIds).toEqual(["k1"]);
  });

  it("tells what an accepted finding said", () => {
    const [line] = timelineOf(
      write(pad, { id: "a", kind: "accepted", text: "so be it", finding: { rule: "x/y", message: "It is dear." } }),
    );
    expect(line.text).toBe("It is dear. Left as it is: so be it");
  });
});

describe("plan and outcome", () => {
  it("sets what was timed against what was reckoned for exactly that", () => {
    const { steps } = assemblyOf(pad);
    const [one, two] = steps;
    const done = stepDone(stepDone(pad, one as never, 12), two as never, 30);
    const { time } = planAndReal(done);
    expect([time.real, time.timed, time.steps]).toEqual([42, 2, steps.length]);
    expect(time.sorts.reduce((sum, { real }) => sum + real, 0)).toBeCloseTo(42, 9);
    expect(time.sorts.reduce((sum, sort) => sum + sort.timed, 0)).toBe(2);
    expect(time.sorts.reduce((sum, sort) => sum + sort.steps, 0)).toBe(steps.length);
    for (const { planned, plannedOfTimed, timed, steps: count } of time.sorts) {
      expect(plannedOfTimed).toBeLessThanOrEqual(planned + 1e-9);
      if (timed === count) expect(plannedOfTimed).toBeCloseTo(planned, 9);
      if (timed === 0) expect(plannedOfTimed).toBe(0);
    }
  });

  it("adds up time by stage and money by what it went to, in the order it was spent", () => {
    const design = write(
      pad,
      { id: "a", kind: "time", value: 90, stage: "layout" },
      { id: "b", kind: "time", value: 30, stage: "layout" },
      { id: "c", kind: "time", value: 10 },
      { id: "d", kind: "money", value: 10, spentOn: "parts" },
      { id: "e", kind: "money", value: -2.5, spentOn: "parts" },
      { id: "f", kind: "money", value: 5 },
      { id: "g", kind: "measurement", value: 1000 },
    );
    const { time, money } = planAndReal(design);
    expect(time.noted).toEqual([
      { stage: "layout", minutes: 120 },
      { stage: null, minutes: 10 },
    ]);
    expect(money.by).toEqual([
      { spentOn: "parts", amount: 7.5 },
      { spentOn: "other", amount: 5 },
    ]);
    expect(money.growing.map(({ sum }) => sum)).toEqual([10, 7.5, 12.5]);
    expect(money.real).toBe(12.5);
    expect(money.planned).toBeCloseTo(purchaseView(design).usual.total, 9);
  });

  it("is there for every demo, also where nothing was timed", () => {
    for (const design of demoDesigns) {
      const { time, money } = planAndReal(design);
      expect(time.real).toBe(0);
      expect(time.planned.middle).toBeGreaterThan(60);
      expect(money.planned).toBeGreaterThan(5);
    }
  });
});

describe("revisions", () => {
  it("are counted on, and tasks of the newest stand first", () => {
    const design = write(
      pad,
      { id: "one", kind: "revision" },
      { id: "a", kind: "regret", taskOf: "one" },
      { id: "two", kind: "revision" },
      { id: "b", kind: "regret", taskOf: "two" },
      { id: "c", kind: "regret" },
    );
    expect(nextRevisionName(design)).toBe("Revision 3");
    expect(tasksOf(design).map(({ id }) => id)).toEqual(["b", "a"]);
  });
});
