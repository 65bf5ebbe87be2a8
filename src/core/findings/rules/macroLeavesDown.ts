import type { Design } from "../../document/schema";
import { changeMacro } from "../../edits/macros";
import { keyboardUsageNamed } from "../../hid/keyboardUsages";
import { leftDown } from "../../keymap/stepWords";
import { type Rule, listed } from "../finding";

/** A macro that presses something and never lets go of it. */
export const macroLeavesDown: Rule = {
  id: "keymap/macro-leaves-down",
  stage: "keymap",
  severity: "note",
  why: "The firmware lets go of everything when a macro ends, but what comes before its end is done with the key held.",
  source: "docs/device-behaviour.md",
  check({ keymap: { macros = [] } }) {
    return macros.flatMap(({ id, name, steps }) => {
      const down = leftDown(steps);
      if (down.length === 0) return [];
      return [
        {
          message: `${name} presses ${listed(down.map(keyboardUsageNamed))} and lets go only at its end.`,
          subjects: [],
          fixes: [
            {
              title: "Let go as its last step",
              apply: (d: Design) =>
                changeMacro(d, id, {
                  steps: [...steps, ...down.map((usage) => ({ step: "release" as const, usage }))],
                }),
            },
          ],
        },
      ];
    });
  },
};
