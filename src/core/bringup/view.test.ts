import { describe, expect, it } from "vitest";
import { shelfDesigns } from "@demo/index";
import { keyBlock } from "../../../tests/support/designs";
import { modelOf } from "./model";
import { outcomeWords } from "./outcomeWords";
import { pairsFor } from "./pairs";
import { outcomeOf } from "./predict";
import { repairOf } from "./repair";
import { usualEfforts } from "./trial";
import { bringUpView } from "./view";

const design = shelfDesigns.find(({ id }) => id === "loom-64")!;
const model = modelOf(design);
const numberOf = (words: string) => model.suspects.findIndex((one) => one.words === words);
const told = (suspect: number, trial: string) => {
  const { base, others } = model.rows[model.trialById.get(trial)!];
  return others.get(suspect) ?? base;
};
const look = (answers: { trial: string; came: string }[], more = {}) =>
  bringUpView(model, design, answers, more, usualEfforts);

describe("what bring-up shows", () => {
  it("goes by the plan while all is well: supply first, loading, name, then what comes by itself", () => {
    const titles: string[] = [];
    const answers: { trial: string; came: string }[] = [];
    for (let view = look(answers); view.next; view = look(answers)) {
      titles.push(view.next.title);
      expect(view.next.outcomes[0].isGood).toBe(true);
      answers.push({ trial: view.next.id, came: view.next.outcomes[0].came });
    }
    expect(titles.slice(0, 4)).toEqual([
      "Before any plug: measure from each supply pad of the module to ground",
      "Plug it in and load it",
      "Look whether the computer lists “Loom 64”",
      "Touch nothing, and watch",
    ]);
    expect(titles).toHaveLength(look([]).plan.of);
    // Nothing that a press or bending shows can be wrong any more.
    expect(look(answers).isFaulty).toBe(false);
    const swept = titles.filter((title) => title.startsWith("Sweep"));
    expect(swept).toHaveLength(4);
  });

  it("hunts from the first bad answer on until one group is left, and says what speaks for it", () => {
    const suspect = numberOf("the joint of C5 at R is open");
    const answers: { trial: string; came: string }[] = [];
    let view = look(answers, { isHunted: true });
    for (let round = 0; round < 30 && view.next; round++) {
      answers.push({ trial: view.next.id, came: told(suspect, view.next.id) });
      view = look(answers);
    }
    expect(view.isNamed).toBe(true);
    expect(view.suspects[0].words).toEqual(["the joint of C5 at R is open"]);
    expect(view.suspects[0].share).toBeGreaterThan(0.99);
    expect(view.suspects[0].speaksFor.length).toBeGreaterThan(0);
    expect(view.suspects[0].speaksAgainst).toEqual([]);
    expect(view.repair?.title).toBe("Solder the joint of C5 at R again");
    expect(view.repair?.caution).toMatch(/ventilate/);
    expect(view.repair?.retests[0]).toBe("idle");
    expect(view.spent).toBeGreaterThan(0);
    const shares = view.suspects.reduce((sum, { share }) => sum + share, 0);
    expect(shares).toBeLessThanOrEqual(1 + 1e-9);
  });

  it("shares of what may come sum to one, and each has words of its own", () => {
    const view = look([], { isHunted: true });
    const { outcomes } = view.next!;
    expect(outcomes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
    expect(new Set(outcomes.map(({ words }) => words)).size).toBe(outcomes.length);
  });

  it("a design without wires has no plan, so that nobody is told that it works", () => {
    const bare = keyBlock(3, 1);
    const view = bringUpView(modelOf(bare), bare, [], {}, usualEfforts);
    expect(view.plan).toEqual({ done: 0, of: 0, open: [] });
    expect(view.next).toBeNull();
    expect(look([]).plan.of).toBeGreaterThan(10);
  });

  it("answers of tests that the design has no more are left out", () => {
    const view = look([{ trial: "press gone:press", came: "" }]);
    expect(view.answers).toEqual([]);
    expect(view.isFaulty).toBe(false);
  });

  it("when nothing fits, pairs are looked for, and each explains every answer", () => {
    const two = [numberOf("K is stuck closed"), numberOf("the diode of Q is missing or burnt through")];
    const faults = two.map((nth) => model.suspects[nth].fault);
    const some = [
      "idle",
      ...model.trials
        .filter(({ id }) => id.startsWith("sweep the hand") || id.startsWith("sweep R"))
        .map(({ id }) => id),
    ];
    const answers = some.map((trial) => ({
      trial,
      came: outcomeOf(model.base, faults, model.trials[model.trialById.get(trial)!].deed),
    }));
    expect(look(answers).isUnexplained).toBe(true);
    const { pairs } = pairsFor(model, answers, () => 0, 1);
    expect(pairs.length).toBeGreaterThan(0);
    expect(pairs.some(({ words }) => words.includes("K is stuck closed"))).toBe(true);
    // K's row and column that touch would tell the same.
    for (const { words } of pairs) expect(words.some((one) => /^K is|touch/.test(one))).toBe(true);
    expect(pairs.flatMap(({ words }) => words).some((words) => /of Q|at Q/.test(words))).toBe(true);
    const shared = pairs.reduce((sum, { share }) => sum + share, 0);
    expect(shared).toBeLessThanOrEqual(1 + 1e-9);
    // Time that is up at once is told.
    let clock = 0;
    expect(pairsFor(model, answers, () => (clock += 10), 1).isAll).toBe(false);
  });
});

describe("words", () => {
  it("every outcome of every test of every demo reads as a sentence part, without ids", () => {
    for (const one of shelfDesigns.filter(({ id }) => id !== "reedling" && id !== "glasshouse")) {
      const own = modelOf(one);
      const ids = new Set(one.controls.map(({ id }) => `${id}:`));
      own.trials.forEach((trial, nth) => {
        for (const came of [own.rows[nth].base, ...own.rows[nth].others.values()]) {
          const words = outcomeWords(one, trial, came);
          expect(words.length, `${trial.title}: ${came}`).toBeGreaterThan(0);
          expect(
            [...ids].some((id) => words.includes(id)),
            words,
          ).toBe(false);
          expect(words).not.toMatch(/undefined|[>~]/);
        }
      });
    }
  });

  it("every fault has a repair with something to do and something to test", () => {
    for (const id of ["kestrel", "loom-64", "tern"]) {
      const own = modelOf(shelfDesigns.find((one) => one.id === id)!);
      for (const suspect of own.suspects) {
        const { title, how, retests } = repairOf(own, [suspect]);
        expect(title).toMatch(/^[A-Z]/);
        expect(how.length).toBeGreaterThan(1);
        expect(retests[0]).toBe("idle");
      }
    }
  });
});
