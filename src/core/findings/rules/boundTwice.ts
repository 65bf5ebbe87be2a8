import { bind } from "../../edits/keymap";
import type { Design } from "../../document/schema";
import { keyboardUsageNamed, modifierNames } from "../../hid/keyboardUsages";
import { type Rule, listed } from "../finding";

/** Two keys of one layer that do exactly the same. */
export const boundTwice: Rule = {
  id: "keymap/bound-twice",
  stage: "keymap",
  severity: "note",
  why: "Two keys that do the same may be meant; often one of them was to do something else.",
  source: "follows from the keymap",
  check(design, { inputs }) {
    return design.keymap.layers.flatMap((layer) => {
      const knobs = new Set(
        inputs.flatMap(({ controlId, motion }) =>
          motion === "clockwise" || motion === "anticlockwise" ? [controlId] : [],
        ),
      );
      const byDeed = new Map<string, { ids: string[]; words: string }>();
      for (const { id, controlId } of inputs) {
        const binding = Object.hasOwn(layer.bindings, id) ? layer.bindings[id] : null;
        // Modifiers stand twice on most keyboards, and knobs and their pushes may well all do the same.
        if (knobs.has(controlId) || binding?.does !== "keyboard" || binding.usage >= 0xe0) continue;
        const words = [...modifierNames(binding.modifiers), keyboardUsageNamed(binding.usage)].join(" + ");
        const entry = byDeed.get(words) ?? { ids: [], words };
        entry.ids.push(id);
        byDeed.set(words, entry);
      }
      return [...byDeed.values()]
        .filter(({ ids }) => ids.length > 1)
        .map(({ ids, words }) => ({
          message: `${listed(ids.map((id) => inputs.find((one) => one.id === id)!.label))} ${ids.length === 2 ? "both" : "all"} do ${words} on ${layer.name}.`,
          subjects: ids.map((id) => ({ kind: "input" as const, id })),
          fixes: [
            {
              title: `Clear ${inputs.find((one) => one.id === ids.at(-1))!.label} on ${layer.name}`,
              apply: (d: Design) => bind(d, layer.id, ids.at(-1)!, null),
            },
          ],
        }));
    });
  },
};
