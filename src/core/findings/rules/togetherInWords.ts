import { typedBy } from "../../bindings";
import { togetherInput } from "../../document/keyRules";
import { changeTogether } from "../../edits/keyRules";
import { usEnglish } from "../../languages/usEnglish";
import { type Rule, counted } from "../finding";

/** Windows shorter than this are met by accident hardly ever (common practice). */
const SAFE_WINDOW_MS = 25;

/** How often some letters stand next to each other in a text, in any order. */
function meetings(text: string, letters: string[]): number {
  const wanted = [...letters].sort().join("");
  let count = 0;
  for (let at = 0; at + letters.length <= text.length; at++)
    if ([...text.slice(at, at + letters.length)].sort().join("") === wanted) count++;
  return count;
}

/** Keys together that stand side by side in the words of the sample text. */
export const togetherInWords: Rule = {
  id: "keymap/together-in-words",
  stage: "keymap",
  severity: "warn",
  why: "Letters that follow each other in words are pressed almost at once in fast typing: then the other thing is done.",
  source: "counted in the design's sample text",
  check({ keymap, reach: { sample } }, { bindable }) {
    const [base] = keymap.layers;
    const text = sample.toLowerCase();
    return (keymap.together ?? []).flatMap(({ id, parts, windowMs }) => {
      const isBound = keymap.layers.some(({ bindings }) => Object.hasOwn(bindings, togetherInput(id)));
      const letters = parts.map((part) => {
        const typed = Object.hasOwn(base.bindings, part) ? typedBy(base.bindings[part]) : null;
        return typed ? (usEnglish.keys.get(typed.usage)?.deeds[0] ?? "") : "";
      });
      if (!isBound || windowMs <= SAFE_WINDOW_MS || letters.some((letter) => letter.trim() === "")) return [];
      const count = meetings(text, letters);
      if (count === 0) return [];
      const label = bindable.find((one) => one.id === togetherInput(id))?.label ?? id;
      return [
        {
          message: `${label} stand side by side ${counted(count, "time")} in the sample text of ${text.length} signs: typed within ${windowMs} ms, they do what they do together.`,
          subjects: parts.map((part) => ({ kind: "input" as const, id: part })),
          fixes: [
            {
              title: `Let them count within ${SAFE_WINDOW_MS} ms only`,
              apply: (d) => changeTogether(d, id, { windowMs: SAFE_WINDOW_MS }),
            },
          ],
        },
      ];
    });
  },
};
