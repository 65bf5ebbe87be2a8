import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoDesigns } from "@demo/index";
import { finishedPad } from "../../../tests/support/designs";
import { shiftControls } from "../edits/controls";
import { bind, swapBindings } from "../edits/keymap";
import { modelOf } from "../bringup/model";
import { groupsOf } from "../bringup/infer";
import { usualEfforts } from "../bringup/trial";
import { hostLanguage } from "../languages/languages";
import { usEnglish } from "../languages/usEnglish";
import { AskedLog } from "./askedLog";
import { officeKeyboard, underHandOf } from "./before";
import { drillOrder, drillText } from "./drillText";
import { bestLineFor, effortSpent, isNamedRight } from "./faultGame";
import { FollowLog, followPath } from "./followPath";
import { addedUp, dayOf, daysOf, needOf, signDays } from "./history";
import { USUAL_RELEARNING, keyAdvice, ownRelearning } from "./keyAdvice";
import { lessonsOf, newnessOf } from "./lessons";
import { ownPassages, ownWords } from "./ownWords";
import { type PracticeRun, practiceRunsSchema } from "./run";
import { TurnLog, turnsToMake } from "./turnLog";
import { waysOf } from "./ways";

const demo = (id: string) => demoDesigns.find((one) => one.id === id)!;
const loom = demo("loom-64");
const key = (usage: number) => ({ does: "keyboard", usage, modifiers: 0 }) as const;
const ways = waysOf(loom, usEnglish);

describe("how signs are typed", () => {
  it("has every letter of Loom on its base, capitals with a held key, and nothing twice", () => {
    for (const letter of "abcdefghijklmnopqrstuvwxyz ")
      expect(ways.get(letter)).toMatchObject({ layer: 0, heldIds: [] });
    expect(ways.get("M")!.heldIds).toHaveLength(1);
    expect(ways.get("M")!.inputId).toBe(ways.get("m")!.inputId);
  });

  it("goes by the computer's language: keys of y and z change places between English and German", () => {
    const german = waysOf(loom, hostLanguage("de-DE"));
    expect(german.get("y")!.inputId).toBe(ways.get("z")!.inputId);
    expect(german.get("ä")).toBeDefined();
  });

  it("prefers what wants no held key, also on a layer that comes first", () => {
    const [base, next] = loom.keymap.layers;
    const free = loom.controls.find(({ id }) => !Object.hasOwn(next.bindings, `${id}:press`))!;
    const both = bind(loom, next.id, `${free.id}:press`, key(0x10));
    expect(waysOf(both, usEnglish).get("m")).toEqual(ways.get("m"));
    const none = bind(both, base.id, ways.get("m")!.inputId, null);
    const held = waysOf(none, usEnglish).get("m");
    expect(held?.layer ?? 1).toBe(1);
  });

  it("prefers a key that types a sign by itself, though one with Shift comes before it", () => {
    const [base] = loom.keymap.layers;
    const last = loom.controls.at(-1)!;
    const own = bind(loom, base.id, `${last.id}:press`, { does: "keyboard", usage: 0x1e, modifiers: 0x02 });
    expect(ways.get("!")!.heldIds).toHaveLength(1);
    expect(waysOf(own, usEnglish).get("!")).toEqual({
      inputId: `${last.id}:press`,
      controlId: last.id,
      heldIds: [],
      layer: 0,
    });
  });

  it("is nothing for a device that types nothing", () =>
    expect(
      waysOf({ ...loom, keymap: { ...loom.keymap, layers: [{ ...loom.keymap.layers[0], bindings: {} }] } }, usEnglish)
        .size,
    ).toBe(0));
});

describe("what the hands know", () => {
  it("is the office keyboard by its standard: home row under eight fingers, m beneath the right index", () => {
    const office = officeKeyboard();
    for (const [sign, finger] of [
      ["a", "left little"],
      ["f", "left index"],
      ["j", "right index"],
      [";", "right little"],
    ] as const)
      expect(office.get(sign)).toMatchObject({ finger, acrossMm: 0, downMm: 0 });
    const m = office.get("m")!;
    expect([m.finger, m.downMm > 0]).toEqual(["right index", true]);
    expect(m.acrossMm).toBeCloseTo(0.5 * 19.05, 6);
    expect(office.get("A")).toMatchObject({ held: 1 });
  });

  it("tells what is another: nothing against itself, one key that was moved, two that changed places", () => {
    const before = underHandOf(loom, usEnglish);
    for (const [sign, under] of underHandOf(loom, usEnglish)) expect(newnessOf(under, before.get(sign))).toBe("same");
    const { controlId } = ways.get("q")!;
    const moved = underHandOf(shiftControls(loom, [controlId], 0, -12), usEnglish);
    const others = [...moved]
      .filter(([sign, under]) => newnessOf(under, before.get(sign)) !== "same")
      .map(([sign]) => sign);
    expect(others).toEqual(expect.arrayContaining(["q", "Q"]));
    expect(others.filter((sign) => /[a-z]/.test(sign))).toEqual(["q"]);
    const swapped = swapBindings(loom, loom.keymap.layers[0].id, ways.get("a")!.inputId, ways.get("p")!.inputId);
    const after = underHandOf(swapped, usEnglish);
    expect(newnessOf(after.get("a")!, before.get("a"))).toBe("other finger");
  });
});

describe("lessons", () => {
  it("have every letter once before everything, none of a device that the hands know but where fingers rest", () => {
    const lessons = lessonsOf(loom, usEnglish, officeKeyboard());
    const before = lessons.filter(({ id }) => /^(rest|finger|moved|new) /.test(id)).flatMap(({ signs }) => signs);
    expect(new Set(before).size).toBe(before.length);
    expect(lessons.every(({ signs }) => signs.length > 0)).toBe(true);
    const known = lessonsOf(loom, usEnglish, underHandOf(loom, usEnglish));
    expect(known.some(({ id }) => /^(finger|moved|new) /.test(id))).toBe(false);
    const nothing = lessonsOf(loom, usEnglish, new Map());
    const letters = nothing.filter(({ id }) => /^(rest|new) /.test(id)).flatMap(({ signs }) => signs);
    for (const letter of "abcdefghijklmnopqrstuvwxyz") expect(letters).toContain(letter);
  });

  it("train layers, and every lesson can be typed with the keymap", () => {
    for (const design of demoDesigns) {
      const own = waysOf(design, usEnglish);
      const lessons = lessonsOf(design, usEnglish, officeKeyboard());
      for (const { id, signs, also } of lessons)
        if (id !== "together")
          for (const sign of [...signs, ...also]) expect(own.has(sign), `${design.id} ${id} ${sign}`).toBe(true);
    }
    expect(lessonsOf(loom, usEnglish, officeKeyboard()).some(({ id }) => id.startsWith("layer"))).toBe(true);
  });
});

describe("lines to type", () => {
  it("have only signs of the lesson and what is known, about as long as wished, the same for the same seed", () =>
    fc.assert(
      fc.property(
        fc.subarray([..."abcdefghijklmnopqrstuvwxyz"], { minLength: 1 }),
        fc.subarray([..."etaoin"]),
        fc.nat(1e6),
        (signs, also, seed) => {
          const wish = { signs, also, need: new Map<string, number>(), seed, length: 60 };
          const line = drillText(wish);
          expect(drillText(wish)).toBe(line);
          for (const sign of line) expect([...signs, ...also, " "]).toContain(sign);
          expect(line.length).toBeGreaterThan(50);
          expect(line.length).toBeLessThan(85);
          expect(signs.some((sign) => line.includes(sign))).toBe(true);
        },
      ),
    ));

  it("have more of what is slow or wrong", () => {
    const count = (need: Map<string, number>, sign: string) => {
      let found = 0;
      for (let seed = 0; seed < 60; seed++)
        found +=
          drillText({ signs: [..."abcdefghijklmnopqrstuvwxyz"], also: [], need, seed, length: 60 }).split(sign).length -
          1;
      return found;
    };
    const usual = count(new Map(), "q");
    expect(count(new Map([["q", 6]]), "q")).toBeGreaterThan(2 * usual);
  });

  it("are made of whole words of ours, where every letter comes", () => {
    const all = ownWords.join("");
    for (const letter of "abcdefghijklmnopqrstuvwxyz") expect(all.split(letter).length, letter).toBeGreaterThan(8);
    expect(ownWords.every((word) => /^[a-z]+$/.test(word))).toBe(true);
    expect(new Set(ownWords).size).toBe(ownWords.length);
    for (const passage of ownPassages) for (const sign of passage) expect(ways.has(sign), sign).toBe(true);
  });

  it("never ask for the same part twice in a row, unless there is no other", () =>
    fc.assert(
      fc.property(fc.uniqueArray(fc.string({ minLength: 1 }), { maxLength: 6 }), fc.nat(1e6), (ids, seed) => {
        const order = drillOrder(ids, new Map(), seed, 20);
        expect(order).toHaveLength(ids.length === 0 ? 0 : 20);
        if (ids.length > 1) order.forEach((id, nth) => expect(id).not.toBe(order[nth - 1]));
      }),
    ));
});

describe("what was pressed, turned, followed", () => {
  it("counts a wrong press once against what was asked for, and its time not at all", () => {
    const log = new AskedLog(["a", "b", "a"], 0);
    expect(log.pressed("a", 500)).toBe(true);
    expect(log.pressed("a", 600)).toBe(false);
    expect(log.pressed("x", 700)).toBe(false);
    expect(log.pressed("b", 900)).toBe(true);
    expect(log.pressed("a", 1600)).toBe(true);
    expect(log.pressed("a", 9000)).toBe(false);
    const { of, seconds } = log.run("r", "2026-03-01T10:00:00Z", "press");
    expect(of).toEqual({ a: { tries: 2, errors: 0, rightMs: 1200 }, b: { tries: 1, errors: 1, rightMs: 0 } });
    expect(seconds).toBe(1.6);
  });

  it("keeps names that are properties of objects apart", () => {
    const log = new AskedLog(["__proto__", "constructor"], 0);
    log.pressed("__proto__", 100);
    log.pressed("constructor", 300);
    const { of } = log.run("r", "2026-03-01T10:00:00Z", "press");
    expect(addedUp([{ id: "r", at: "", sort: "press", seconds: 1, of }]).get("__proto__")).toEqual({
      tries: 1,
      errors: 0,
      rightMs: 100,
    });
  });

  it("tells how far a turn was off, and heeds only the knob that was asked for", () => {
    const log = new TurnLog(
      [
        { elementId: "k", steps: -4 },
        { elementId: "m", steps: 2 },
      ],
      0,
    );
    log.turned("k", -5);
    log.turned("m", 3);
    log.turned("k", 1);
    expect(log.place).toBe(-4);
    expect(log.settled(1000)).toBe(0);
    log.turned("m", 5);
    expect(log.settled(3000)).toBe(3);
    expect(log.settled(4000)).toBe(0);
    expect(log.run("r", "2026-03-01T10:00:00Z")).toMatchObject({
      meanOff: 1.5,
      seconds: 3,
      of: { k: { tries: 1, errors: 0, rightMs: 1000 }, m: { tries: 1, errors: 1 } },
    });
    for (const { steps } of turnsToMake(["k"], 1, 50)) expect(Math.abs(steps)).toBeGreaterThan(0);
    expect(turnsToMake([], 1, 5)).toEqual([]);
  });

  it("a mark wanders smoothly within its bounds, and its distance is the root of the mean square over time", () => {
    const path = followPath(7);
    for (let s = 0; s < 60; s += 0.05) {
      const [{ x, y }, next] = [path(s), path(s + 0.01)];
      expect(Math.max(Math.abs(x), Math.abs(y))).toBeLessThanOrEqual(1);
      expect(Math.hypot(next.x - x, next.y - y)).toBeLessThan(0.04);
    }
    const log = new FollowLog();
    // One second right on it, three seconds half a way off: sqrt(3/4 · 0.25).
    log.look(0, { x: 0, y: 0 }, { x: 0, y: 0 });
    log.look(1, { x: 0, y: 0 }, { x: 0, y: 0 });
    log.look(4, { x: 0.5, y: 0 }, { x: 0, y: 0 });
    expect(log.offHundredths).toBeCloseTo(100 * Math.sqrt(0.75 * 0.25), 9);
    expect(new FollowLog().offHundredths).toBe(0);
  });
});

const typedRun = (nth: number, at: string, of: PracticeRun["of"]): PracticeRun => ({
  id: `r${nth}`,
  at,
  sort: "type",
  seconds: 12,
  typed: { presented: 61, transcribed: 61, distance: 0, incorrectFixed: 0, keystrokes: 61 },
  of,
});

describe("days of practice", () => {
  it("are local days: late evening and early morning of one night are two, in UTC they may be one", () => {
    expect(dayOf("2026-03-01T23:30:00Z", -60)).toBe("2026-03-02");
    expect(dayOf("2026-03-02T00:30:00Z", 60)).toBe("2026-03-01");
  });

  it("add bouts up by what they weigh", () => {
    const days = daysOf(
      [
        typedRun(1, "2026-03-01T10:00:00Z", {}),
        { ...typedRun(2, "2026-03-01T11:00:00Z", {}), seconds: 60 },
        {
          id: "p",
          at: "2026-03-02T10:00:00Z",
          sort: "press",
          seconds: 5,
          of: { a: { tries: 4, errors: 1, rightMs: 900 } },
        },
      ],
      () => 0,
    );
    expect(days.map(({ day }) => day)).toEqual(["2026-03-01", "2026-03-02"]);
    // 120 signs that took time, in 72 s.
    expect(days[0].wordsPerMinute).toBeCloseTo((120 / 72) * 12, 9);
    expect(days[1]).toMatchObject({ wordsPerMinute: null, pressMs: 300, pressErrors: 0.25 });
    expect(daysOf([], () => 0)).toEqual([]);
  });

  it("tell how one sign, or those of a finger, went from day to day", () => {
    const runs = [
      typedRun(1, "2026-03-02T10:00:00Z", {
        a: { tries: 4, errors: 1, rightMs: 600 },
        b: { tries: 9, errors: 0, rightMs: 9 },
      }),
      typedRun(2, "2026-03-01T10:00:00Z", { a: { tries: 2, errors: 2, rightMs: 0 } }),
      typedRun(3, "2026-03-02T12:00:00Z", { a: { tries: 4, errors: 1, rightMs: 900 } }),
    ];
    expect(
      signDays(
        runs,
        () => 0,
        (sign) => sign === "a",
      ),
    ).toEqual([
      { day: "2026-03-01", tries: 2, wrong: 1, ms: null },
      { day: "2026-03-02", tries: 8, wrong: 0.25, ms: 250 },
    ]);
    expect(
      signDays(
        runs,
        () => 0,
        () => false,
      ),
    ).toEqual([]);
  });

  it("are kept as they are read", () => {
    expect(
      practiceRunsSchema.safeParse([typedRun(1, "2026-03-01T10:00:00Z", { a: { tries: 1, errors: 0, rightMs: 5 } })])
        .success,
    ).toBe(true);
    expect(practiceRunsSchema.safeParse([{ ...typedRun(1, "2026-03-01T10:00:00Z", {}), sort: "fly" }]).success).toBe(
      false,
    );
  });
});

describe("what needs practice", () => {
  it("is more where it is slower or wrong, as usual where there is nothing to tell, and bounded", () => {
    const need = needOf(
      new Map([
        ["a", { tries: 100, errors: 0, rightMs: 20_000 }],
        ["b", { tries: 100, errors: 0, rightMs: 40_000 }],
        ["c", { tries: 100, errors: 50, rightMs: 10_000 }],
        ["d", { tries: 1, errors: 1, rightMs: 0 }],
      ]),
    );
    expect(need.get("b")!).toBeGreaterThan(need.get("a")!);
    expect(need.get("c")!).toBeGreaterThan(need.get("b")!);
    expect(need.get("d")!).toBeLessThan(need.get("c")!);
    for (const one of need.values()) expect(one).toBeGreaterThanOrEqual(0.5);
    expect(needOf(new Map()).size).toBe(0);
    expect(needOf(new Map([["a", { tries: 3, errors: 3, rightMs: 0 }]])).size).toBe(0);
  });
});

describe("advice to move a key", () => {
  const runs = (msOf: (sign: string, day: number) => number, share: (sign: string) => number, days = 6) =>
    Array.from({ length: days }, (_, day) =>
      typedRun(
        day,
        `2026-03-0${day + 1}T10:00:00Z`,
        Object.fromEntries(
          [..."etaqz"].map((sign) => [sign, { tries: share(sign), errors: 0, rightMs: share(sign) * msOf(sign, day) }]),
        ),
      ),
    );
  const share = (sign: string) => ({ e: 60, t: 40, a: 30 })[sign] ?? 10;
  const slowE = (sign: string) => (sign === "e" ? 500 : 200);
  const advise = (some: PracticeRun[]) => keyAdvice(loom, usEnglish, some, () => 0);

  it("is given for a sign that is frequent, slow and does not become quicker, with what it saves and costs", () => {
    const [first] = advise(runs(slowE, share));
    expect(first).toMatchObject({ sign: "e", isOwnRecord: false, relearnPresses: 2 * USUAL_RELEARNING });
    expect("qz").toContain(first.other);
    // Six days of 150 signs: e has 60 of them, the other 10.
    const saved = (60 / 150 - 10 / 150) * 300;
    expect(first.savedMs).toBeCloseTo(1000 * saved, 6);
    expect(first.paysAfterSigns).toBe(Math.ceil((USUAL_RELEARNING * 700) / saved));
  });

  it("is not given while the finger still learns, of few tries or days, or where all is alike", () => {
    expect(advise(runs((sign, day) => (sign === "e" ? 800 - 100 * day : 200), share))).toEqual([]);
    expect(advise(runs(slowE, share, 2))).toEqual([]);
    expect(advise(runs(slowE, () => 2))).toEqual([]);
    expect(advise(runs(() => 200, share))).toEqual([]);
    expect(advise([])).toEqual([]);
  });

  it("goes by how soon this person learnt a key, where the record tells", () => {
    const learnt = runs(
      (_, day) => (day === 0 ? 600 : day === 1 ? 400 : 200),
      () => 60,
      6,
    );
    expect(ownRelearning(learnt)).toBe(120);
    expect(
      ownRelearning(
        runs(
          () => 200,
          () => 60,
        ),
      ),
    ).toBeNull();
  });

  it("lets two keys change places, and back", () => {
    const [base] = loom.keymap.layers;
    const [e, q] = ["e", "q"].map((sign) => ways.get(sign)!.inputId);
    const swapped = swapBindings(loom, base.id, e, q);
    expect(waysOf(swapped, usEnglish).get("e")!.inputId).toBe(q);
    expect(swapBindings(swapped, base.id, e, q).keymap).toEqual(loom.keymap);
    expect(swapBindings(loom, "none", e, q)).toBe(loom);
  });
});

describe("the fault finder", () => {
  const model = modelOf(finishedPad());

  it("sets every fault against a line of tests that ends with exactly its group", () => {
    for (const { id } of model.suspects) {
      const best = bestLineFor(model, id, usualEfforts)!;
      expect(best.group).toContain(id);
      expect(
        groupsOf(
          model,
          best.group.map((one) => model.suspects.findIndex((suspect) => suspect.id === one)),
        ),
      ).toHaveLength(1);
      expect(best.effort).toBeCloseTo(
        best.tests.reduce((sum, { effort }) => sum + effort, 0),
        9,
      );
      for (const one of best.group) expect(isNamedRight(model, id, one)).toBe(true);
      const other = model.suspects.find((suspect) => !best.group.includes(suspect.id))!;
      expect(isNamedRight(model, id, other.id)).toBe(false);
    }
    expect(bestLineFor(model, "none", usualEfforts)).toBeNull();
    expect(isNamedRight(model, "none", "none")).toBe(false);
  });

  it("counts what tests cost, the same one twice", () => {
    const { id } = model.trials.find(({ effort }) => effort === "meter")!;
    expect(effortSpent(model, [id, id, "none"], usualEfforts)).toBe(2 * effortSpent(model, [id], usualEfforts));
  });
});
