import { settleRegret } from "../../edits/journal";
import { type Rule, controlSubject } from "../finding";

export const openTasks: Rule = {
  id: "journal/open-task",
  stage: "journal",
  severity: "warn",
  why: "A new revision is begun to mend what the last one taught; what is left out is regretted twice.",
  source: "the journal's own regrets",
  check: ({ journal, controls }) => {
    const there = new Set(controls.map(({ id }) => id));
    return journal.flatMap(({ id, kind, text, taskOf, isDone, stage = "journal", parts = [] }) =>
      kind === "regret" && taskOf !== undefined && !isDone
        ? [
            {
              message: `For this revision: ${text || "a regret without words"}`,
              stage,
              subjects: parts.filter((part) => there.has(part)).map(controlSubject),
              fixes: [{ title: "It is mended", apply: (design) => settleRegret(design, id, true) }],
            },
          ]
        : [],
    );
  },
};
