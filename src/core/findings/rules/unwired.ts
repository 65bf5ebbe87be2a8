import { direct } from "../../circuits/direct";
import { matrix } from "../../circuits/matrix";
import type { PlacedElement } from "../../circuits/net";
import { wireAsUsual, wireDirect } from "../../edits/wiring";
import { shareOutMatrix } from "../../edits/shareOutMatrix";
import { type Fix, type Rule, counted, listed } from "../finding";

const NAMED = 6;

/** A matrix only where the rest of what is loose can be wired direct. */
function fixesFor(loose: PlacedElement[]): Fix[] {
  const ids = loose.map(({ id }) => id);
  const parts = counted(loose.length, "part");
  if (!loose.every((element) => matrix.accepts(element) || direct.accepts(element)))
    return [{ title: `Wire ${parts} as usual`, apply: (d) => wireAsUsual(d, ids) }];
  return [
    { title: "Share out rows and columns", apply: (d) => shareOutMatrix(d, "fewest-pins") },
    { title: `Wire ${parts} direct`, apply: (d) => wireDirect(d, ids) },
  ];
}

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
        fixes: fixesFor(loose),
      },
    ];
  },
};
