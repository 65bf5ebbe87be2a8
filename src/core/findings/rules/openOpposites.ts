import type { Design } from "../../document/schema";
import { setOpposite } from "../../edits/keyRules";
import type { Rule } from "../finding";

/** Usages of the four arrows, by opposites: Right and Left, Down and Up. */
const PAIRS: [number, number][] = [
  [0x4f, 0x50],
  [0x51, 0x52],
];

/** Two arrows on keys of the base, and nothing that says what counts while both are held. */
export const openOpposites: Rule = {
  id: "keymap/open-opposites",
  stage: "keymap",
  severity: "note",
  why: "Both directions held at once mean nothing; programs differ in what they make of it, so games and machines move by chance.",
  source: "common practice",
  check({ keymap }, { inputs }) {
    const [base] = keymap.layers;
    const holderOf = (usage: number) =>
      inputs.find(({ id, motion, flips }) => {
        const binding = Object.hasOwn(base.bindings, id) ? base.bindings[id] : null;
        return motion === "press" && !flips && binding?.does === "keyboard" && binding.usage === usage;
      });
    return PAIRS.flatMap(([one, other]) => {
      const [first, second] = [holderOf(one), holderOf(other)];
      if (!first || !second) return [];
      const isRuled = keymap.opposites?.some((rule) =>
        [rule.first, rule.second].some((id) => id === first.id || id === second.id),
      );
      if (isRuled) return [];
      return [
        {
          message: `${first.label} and ${second.label} are opposite directions: nothing says which counts while both are held.`,
          subjects: [first, second].map(({ id }) => ({ kind: "input" as const, id })),
          fixes: [
            {
              title: "Let the last one count",
              apply: (d: Design) => setOpposite(d, { first: first.id, second: second.id, counts: "last" }),
            },
            {
              title: "Let neither count",
              apply: (d: Design) => setOpposite(d, { first: first.id, second: second.id, counts: "neither" }),
            },
          ],
        },
      ];
    });
  },
};
