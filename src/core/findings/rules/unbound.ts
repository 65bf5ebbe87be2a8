import { FILL_TITLE, fillKeymap, firstBindings } from "../../edits/firstKeymap";
import { openInputs } from "../../keymap/openInputs";
import { type Rule, listed } from "../finding";

const NAMED = 6;

export const unbound: Rule = {
  id: "keymap/unbound",
  stage: "keymap",
  severity: "note",
  why: "An input without a binding on any layer does nothing when used.",
  source: "follows from the keymap",
  check(design) {
    const silent = openInputs(design);
    if (silent.length === 0) return [];
    const names = silent.slice(0, NAMED).map((input) => input.label);
    const more = silent.length > NAMED ? [`${silent.length - NAMED} more`] : [];
    return [
      {
        message: `${listed([...names, ...more])} ${silent.length === 1 ? "does" : "do"} nothing on any layer.`,
        subjects: silent.map((input) => ({ kind: "input" as const, id: input.id })),
        fixes: firstBindings(design) ? [{ title: FILL_TITLE, apply: fillKeymap }] : [],
      },
    ];
  },
};
