import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "../catalogue/controllers";
import { placeBrief } from "../edits/placeBrief";
import { adoptPlan } from "../edits/wireAsPlanned";
import { changeWish } from "../edits/wish";
import { adoptPinPlan } from "../edits/pins";
import { newDesign } from "../document/newDesign";
import type { Design } from "../document/schema";
import { findingsOf } from "../findings/check";
import { planPins } from "../pins/planPins";
import { planBrief } from "./plan";
import { type Wish, emptyBrief, noWish } from "../document/wish";

const setting = { brief: emptyBrief, debounceMs: 5, settleUs: 5 };

/** Wishes of many sorts of devices, all invented: what is counted, and what is chosen. */
const wishes: [what: string, wish: Partial<Wish>][] = [
  ["nine keys and a knob", { keys: 9, encoders: 1 }],
  ["a pad of twelve keys, two knobs and a display", { keys: 12, encoders: 2, displays: 1 }],
  ["a writing board of 64 keys", { keys: 64 }],
  ["a big writing board with lock lamps", { keys: 104, lamps: 3 }],
  ["half a board by hand", { keys: 30, making: "hand-wired" }],
  ["an editing desk", { keys: 24, encoders: 6, lights: 24 }],
  ["a game pad", { keys: 14, sticks2: 2, motors: 2 }],
  ["an all-button pad", { keys: 16, fiveWays: 1 }],
  ["a handset", { sticks2: 2, pots: 4, toggles: 8, radios: 1, connection: "radio", stickPush: false }],
  ["a handset with a third axis", { sticks3: 2, toggles: 4, displays: 1, radios: 1, connection: "radio" }],
  ["a glasshouse panel", { toggles: 24, keys: 16, lamps: 24, segments: 2, concentrics: 4 }],
  ["a telescope's hand box", { keys: 12, encoders: 2, sticks2: 1, lamps: 4, displays: 1 }],
  ["a music desk of knobs", { encoders: 16, pots: 8, lights: 16 }],
  ["a stylus box", { ladderPads: 24, pots: 3, buzzers: 1 }],
  ["one large button", { keys: 1, lamps: 1 }],
  ["a signal box", { toggles: 40, lamps: 40 }],
  ["a board without chords", { keys: 40, chords: false }],
  ["sliders for a stage", { pots: 12, keys: 8, displays: 2 }],
  ["a crane's chair", { sticks3: 2, keys: 10, toggles: 6, fiveWays: 2, buzzers: 1 }],
  ["a board that can be swapped", { keys: 60, hotSwap: true, encoders: 1 }],
  ["three displays and many lights", { displays: 3, lights: 60, keys: 6 }],
];

/** The best plan that fits, taken, placed, wired and pinned. */
function built(wish: Partial<Wish>): Design {
  const whole = { ...noWish, ...wish };
  const [best] = planBrief(whole, controllerCatalogue, setting).filter(({ fits, unmet }) => fits && unmet.length === 0);
  let nth = 0;
  const empty = changeWish(newDesign("d", "D"), wish);
  const wired = adoptPlan(
    placeBrief(empty, () => `c${(nth += 1)}`),
    best.plan,
  );
  return adoptPinPlan(wired, planPins(wired));
}

describe("a plan that is taken, placed, wired and pinned", () => {
  it.each(wishes)("leaves no warning of its own making: %s", (_what, wish) => {
    const found = findingsOf(built(wish)).filter(({ severity }) => severity !== "note");
    // Lights take 1 mA each when dark, on every plan: many of them are more than a port gives at first.
    const own = found.filter(({ message }) => !message.startsWith("Before the computer has configured it"));
    expect(own.map(({ rule, message }) => `${rule}: ${message}`)).toEqual([]);
  });

  it("places nine keys as three rows of three, the display on top and the knobs above the keys", () => {
    const design = built({ keys: 9, encoders: 2, displays: 1 });
    const ys = (kind: string) => design.controls.filter((c) => c.kind === kind).map((c) => c.placement.yMm);
    expect(new Set(ys("key")).size).toBe(3);
    expect(Math.max(...ys("display"))).toBeLessThan(Math.min(...ys("encoder")));
    expect(Math.max(...ys("encoder"))).toBeLessThan(Math.min(...ys("key")));
  });
});
