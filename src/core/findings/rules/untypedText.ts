import type { Design } from "../../document/schema";
import { changeMacro } from "../../edits/macros";
import { withNumberEntry } from "../../keymap/numberEntry";
import { knownLanguage } from "../../languages/known";
import { languageList } from "../../languages/languageList";
import { strokesFor } from "../../languages/strokes";
import type { Rule } from "../finding";

/** Texts of macros with characters that the computer's keyboard language has no keys for. */
export const untypedText: Rule = {
  id: "keymap/untyped-text",
  stage: "keymap",
  severity: "warn",
  why: "A keyboard sends keys, not characters: what no key of the language makes is left out of the text.",
  source: "xkb-data, as generated into src/core/languages",
  check({ keymap: { macros = [], hostLanguage } }) {
    return macros.flatMap(({ id, name, steps }) => {
      const texts = steps.flatMap((step) => (step.step === "text" ? [step.text] : []));
      const missing = strokesFor(texts.join("\n"), knownLanguage(hostLanguage)).missing;
      if (missing.length === 0) return [];
      const entered = missing.reduce(
        (all, character) =>
          all.flatMap((step) =>
            step.step === "text" ? withNumberEntry(step.text, character, "control-shift-u") : [step],
          ),
        steps,
      );
      return [
        {
          message: `${name} types ${missing.join(" ")}, for which ${languageList[hostLanguage].title} has no keys: the device leaves them out.`,
          subjects: [],
          fixes: [
            {
              title: "Enter them by number: Control + Shift + U",
              apply: (d: Design) => changeMacro(d, id, { steps: entered }),
            },
          ],
        },
      ];
    });
  },
};
