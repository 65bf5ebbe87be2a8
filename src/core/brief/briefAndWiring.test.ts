import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { controllerCatalogue } from "../catalogue/controllers";
import { derive } from "../derived/derive";
import { placeBrief } from "../edits/placeBrief";
import { adoptPlan } from "../edits/wireAsPlanned";
import { changeWish } from "../edits/wish";
import { newDesign } from "../document/newDesign";
import { factsOf } from "../findings/facts";
import { optionFor } from "./option";
import { sumParts } from "../catalogue/prices";
import { lampStrategies } from "./strategies/lampStrategies";
import { switchStrategies } from "./strategies";
import { voltageStrategies } from "./strategies/voltageStrategies";
import { emptyBrief, noWish } from "../document/wish";

const setting = { brief: emptyBrief, debounceMs: 5, settleUs: 5 };

const few = (max: number) => fc.integer({ min: 0, max });
const wishes = fc.record({
  keys: few(40),
  toggles: few(6),
  encoders: few(4),
  sticks2: few(2),
  pots: few(4),
  lamps: few(10),
  lights: few(8),
  displays: few(5),
  segments: few(2),
  motors: few(2),
  buzzers: few(1),
  radios: few(1),
  chords: fc.boolean(),
});
const plans = fc.record({
  profileId: fc.constantFrom("large-5v-70", "mid-3v3-34", "dual-core-3v3-26"),
  switchStrategy: fc.constantFrom(...switchStrategies.map(({ id }) => id)),
  lampStrategy: fc.constantFrom(...lampStrategies.map(({ id }) => id)),
  voltageStrategy: fc.constantFrom(...voltageStrategies.map(({ id }) => id)),
  turnStrategy: fc.constantFrom("direct", "with-switches"),
});

describe("the brief and the wiring", () => {
  it("say the same of every plan: pins, diodes, resistors and added parts", () =>
    fc.assert(
      fc.property(wishes, plans, (counts, chosen) => {
        const wish = { ...noWish, ...counts };
        const profile = controllerCatalogue.find(({ id }) => id === chosen.profileId)!;
        const option = optionFor(wish, chosen, profile, setting);
        if (!option) return;
        let nth = 0;
        const empty = changeWish(newDesign("d", "D"), wish);
        const wired = adoptPlan(
          placeBrief(empty, () => `c${(nth += 1)}`),
          chosen,
        );
        const facts = factsOf(wired);
        const chips = sumParts(derive(wired).chips.map(({ part }) => ({ [part]: 1 })));
        expect(derive(wired).circuitsOf.size).toBe(derive(wired).elements.size);
        expect({ pins: facts.pinsNeeded, diode: facts.diodes, resistor: facts.resistors, ...chips }).toEqual({
          diode: 0,
          resistor: 0,
          ...option.parts,
          pins: option.room.needed,
        });
      }),
      { numRuns: 200, seed: 7 },
    ));
});
