import { unwire } from "../../edits/wiring";
import type { Rule } from "../finding";

export const wiredTwice: Rule = {
  id: "wiring/wired-twice",
  stage: "wiring",
  severity: "stop",
  why: "A contact in two circuits joins them: both then read wrongly.",
  source: "follows from the circuits",
  check(design, { circuitsOf, elements }) {
    return [...circuitsOf.entries()]
      .filter(([, circuits]) => circuits.length > 1)
      .map(([id, circuits]) => {
        const names = circuits.map((circuit) => design.circuits.find((c) => c.id === circuit)!.name);
        return {
          message: `${elements.get(id)?.label ?? id} is wired ${circuits.length} times: in ${names.join(" and ")}.`,
          subjects: [{ kind: "element" as const, id }],
          fixes: [{ title: "Take it out of all", apply: (d) => unwire(d, [id]) }],
        };
      });
  },
};
