import { circuitKindOf } from "../../circuits";
import { type Rule } from "../finding";
import { some } from "./some";

/** Members that a circuit cannot hold, or that are nobody's. */
export const wrongMember: Rule = {
  id: "wiring/wrong-member",
  stage: "wiring",
  severity: "stop",
  why: "A part that stands in a circuit of the wrong kind looks wired and is not.",
  source: "follows from the circuits",
  check(design, { elements }) {
    return design.circuits.flatMap((circuit) => {
      const kind = circuitKindOf(circuit);
      const wrong = kind.members(circuit).filter((id) => {
        const element = elements.get(id);
        return !element || !kind.accepts(element);
      });
      if (wrong.length === 0) return [];
      const names = wrong.map((id) => elements.get(id)?.label ?? `"${id}"`);
      return [
        {
          message: `${some(names)} ${wrong.length === 1 ? "stands" : "stand"} in ${circuit.name} (${kind.title.toLowerCase()}), which cannot hold ${wrong.length === 1 ? "it" : "them"}.`,
          subjects: wrong.filter((id) => elements.has(id)).map((id) => ({ kind: "element" as const, id })),
          fixes: [
            {
              title: `Take ${wrong.length === 1 ? "it" : "them"} out`,
              apply: (d) => ({
                ...d,
                circuits: d.circuits.map((one) =>
                  one.id === circuit.id ? wrong.reduce((left, id) => circuitKindOf(left).without(left, id), one) : one,
                ),
              }),
            },
          ],
        },
      ];
    });
  },
};
