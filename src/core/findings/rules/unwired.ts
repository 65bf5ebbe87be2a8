import { wireDirect } from "../../edits/wiring";
import { shareOutMatrix } from "../../edits/shareOutMatrix";
import { type Rule, counted, listed } from "../finding";

const NAMED = 6;

export const unwired: Rule = {
  id: "wiring/unwired",
  stage: "wiring",
  severity: "stop",
  why: "The controller cannot see a contact that leads nowhere.",
  source: "follows from the circuits",
  check(_design, { elements, circuitsOf }) {
    const loose = [...elements.values()].filter((element) => !circuitsOf.has(element.id));
    if (loose.length === 0) return [];
    const names = loose.slice(0, NAMED).map((element) => element.label);
    const more = loose.length > NAMED ? [`${loose.length - NAMED} more`] : [];
    const verb = loose.length === 1 ? "is" : "are";
    return [
      {
        message: `${listed([...names, ...more])} ${verb} not wired to anything.`,
        subjects: loose.map((element) => ({ kind: "element", id: element.id })),
        fixes: [
          { title: "Share out rows and columns", apply: (d) => shareOutMatrix(d, "fewest-pins") },
          {
            title: `Wire ${counted(loose.length, "part")} direct`,
            apply: (d) =>
              wireDirect(
                d,
                loose.map((element) => element.id),
              ),
          },
        ],
      },
    ];
  },
};
