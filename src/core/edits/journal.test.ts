import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { finishedPad } from "../../../tests/support/designs";
import type { JournalEntry } from "../document/journalSettings";
import { readDesign } from "../document/readDesign";
import { findingsOf } from "../findings/check";
import { openRegrets, revisionsOf, tasksOf } from "../journal/revisions";
import { answerTest, setEfforts } from "./bringUp";
import { noteStep, setBoardWay } from "./build";
import { removeControls } from "./controls";
import {
  acceptFinding,
  dropTask,
  frozenOf,
  goBackTo,
  noteRevision,
  nothingBuilt,
  removeEntry,
  settleRegret,
  takeAsTasks,
  tellFindingAgain,
  writeEntry,
} from "./journal";

const entry = (id: string, at: string, more: Partial<JournalEntry> = {}): JournalEntry => ({
  id,
  at: `2026-03-${at}:00Z`,
  kind: "note",
  text: id,
  ...more,
});

const pad = finishedPad();
const regretted = writeEntry(pad, entry("far", "01T10:00", { kind: "regret", parts: ["k1"] }));

describe("entries of the journal", () => {
  it("stand in the order of time, however they were written, and can be read back", () =>
    fc.assert(
      fc.property(fc.shuffledSubarray([...Array(20).keys()], { minLength: 1 }), (days) => {
        const written = days.reduce(
          (design, day) => writeEntry(design, entry(`e${day}`, `${String(day + 1).padStart(2, "0")}T08:00`)),
          pad,
        );
        expect(written.journal.map(({ at }) => at)).toEqual(
          days.map((day) => entry("", `${String(day + 1).padStart(2, "0")}T08:00`).at).sort(),
        );
        expect(readDesign(JSON.parse(JSON.stringify(written)))).toMatchObject({ ok: true });
      }),
    ));

  it("are changed in place, moved by another day, and struck out", () => {
    const two = writeEntry(regretted, entry("later", "02T10:00"));
    const moved = writeEntry(two, entry("later", "01T09:00", { text: "earlier" }));
    expect(moved.journal.map(({ text }) => text)).toEqual(["earlier", "far"]);
    expect(removeEntry(moved, "later").journal.map(({ id }) => id)).toEqual(["far"]);
    expect(removeEntry(moved, "constructor")).toBe(moved);
    expect(settleRegret(moved, "none", true)).toBe(moved);
  });

  it("keep the names of parts that are gone", () => {
    const gone = removeControls(regretted, ["k1"]);
    expect(gone.journal[0].parts).toEqual(["k1"]);
    expect(readDesign(JSON.parse(JSON.stringify(gone)))).toMatchObject({ ok: true });
  });
});

describe("a regret", () => {
  const frozen = noteRevision(regretted, { id: "first", at: "2026-03-02T10:00:00Z", text: "Revision 1" });
  const begun = takeAsTasks(
    frozen,
    "first",
    new Map([
      ["far", "layout"],
      ["first", "pins"],
      ["none", "pins"],
    ]),
  );
  const told = (design = begun) => findingsOf(design).filter(({ rule }) => rule === "journal/open-task");

  it("becomes a task of the stage where it is mended; nothing else does", () => {
    expect(openRegrets(regretted)).toHaveLength(1);
    expect(openRegrets(begun)).toHaveLength(0);
    expect(tasksOf(begun)).toMatchObject([{ id: "far", stage: "layout", taskOf: "first" }]);
    expect(begun.journal.find(({ id }) => id === "first")).not.toHaveProperty("taskOf");
    expect(told()).toMatchObject([{ stage: "layout", severity: "warn", subjects: [{ kind: "control", id: "k1" }] }]);
  });

  it("is told until it is mended, and again when it was not", () => {
    const [{ fixes }] = told();
    const mended = fixes[0].apply(begun);
    expect(told(mended)).toEqual([]);
    expect(told(settleRegret(mended, "far", false))).toHaveLength(1);
  });

  it("is a regret again when the task is dropped or the revision is struck out", () => {
    expect(openRegrets(dropTask(begun, "far"))).toHaveLength(1);
    const struck = removeEntry(begun, "first");
    expect(openRegrets(struck)).toHaveLength(1);
    expect(revisionsOf(struck)).toEqual([]);
  });
});

describe("a revision", () => {
  const built = answerTest(
    noteStep(setBoardWay(regretted, "panel", { way: "made-board" }), "step", "hot"),
    "press k1",
    "good",
  );

  it("freezes all but the journal", () => {
    expect(frozenOf(built)).toEqual({ ...built, journal: [] });
  });

  it("that is gone back to brings the device back, not what happened since", () => {
    const frozen = frozenOf(pad);
    const changed = { ...removeControls(built, ["k1"]), name: "Another" };
    const back = goBackTo(changed, frozen);
    expect(back.controls).toEqual(pad.controls);
    expect([back.id, back.name, back.journal]).toEqual([changed.id, "Another", changed.journal]);
    expect([back.build, back.bringUp]).toEqual([built.build, built.bringUp]);
    expect(readDesign(JSON.parse(JSON.stringify(back)))).toMatchObject({ ok: true });
    // Where nothing was built since, a frozen one's progress does not come back as today's.
    expect(goBackTo(pad, frozenOf(built))).not.toHaveProperty("build");
  });

  it("that is begun has nothing built and tested, but is made as before", () => {
    const told = setEfforts(
      { ...built, wires: { ...built.wires, done: ["w"] } },
      { press: 2, sweep: 3, bend: 3, meter: 5 },
    );
    const fresh = nothingBuilt(told);
    expect(fresh.wires.done).toEqual([]);
    expect(fresh.build).toMatchObject({
      boards: { panel: { way: "made-board" } },
      notes: { step: "hot" },
      done: [],
      minutes: {},
    });
    expect(fresh.bringUp).toMatchObject({ answers: [], repairs: [], efforts: { press: 2 } });
    expect(nothingBuilt(pad)).not.toHaveProperty("build");
  });
});

describe("a finding that is left as it is", () => {
  const [first] = findingsOf(withWarning()).filter(({ severity }) => severity === "warn");

  /** An open task: a warning, nothing that stops. */
  function withWarning() {
    return takeAsTasks(
      noteRevision(regretted, { id: "first", at: "2026-03-02T10:00:00Z", text: "" }),
      "first",
      new Map([["far", "layout"]]),
    );
  }

  it("is a note with the reason, until it says something else or is told again", () => {
    const left = acceptFinding(withWarning(), first, {
      id: "why",
      at: "2026-03-03T10:00:00Z",
      text: "the hand is used to it",
    });
    const again = (design: typeof left) => findingsOf(design).find(({ rule }) => rule === first.rule);
    expect(again(left)).toMatchObject({ severity: "note", accepted: "the hand is used to it" });
    const other = writeEntry(left, { ...left.journal.find(({ id }) => id === "far")!, text: "Stop is much too far." });
    expect(again(other)).toMatchObject({ severity: "warn" });
    expect(again(other)).not.toHaveProperty("accepted");
    expect(again(tellFindingAgain(left, first))).toMatchObject({ severity: "warn" });
    const twice = acceptFinding(left, first, { id: "anew", at: "2026-03-04T10:00:00Z", text: "still so" });
    expect(twice.journal.filter(({ kind }) => kind === "accepted")).toMatchObject([{ id: "anew", text: "still so" }]);
  });

  it("that stops the device is told whatever was written", () => {
    const broken = { ...pad, controllers: [{ ...pad.controllers[0], profileId: "unknown-class" }] };
    const stop = findingsOf(broken).find(({ severity }) => severity === "stop")!;
    const left = acceptFinding(broken, stop, { id: "why", at: "2026-03-03T10:00:00Z", text: "no" });
    expect(findingsOf(left).find(({ rule }) => rule === stop.rule)).toMatchObject({ severity: "stop" });
  });
});
