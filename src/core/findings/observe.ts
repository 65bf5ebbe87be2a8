import { derive } from "../derived/derive";
import { halfOf, netOfHalf, onHalf } from "../derived/halves";
import type { Design } from "../document/schema";
import type { Fix, Observation, Rule, Subject } from "./finding";

/** What a half is called: the board that its controller lies on, with a number where that is not alone. */
export function halfName({ controllers, boards }: Design, controllerId: string): string {
  const boardOf = (id: string) => controllers.find((one) => one.id === id)?.placement.boardId;
  const here = boardOf(controllerId);
  const same = controllers.filter(({ id }) => boardOf(id) === here);
  const name = boards.find(({ id }) => id === here)?.name ?? "a board that is gone";
  return same.length < 2 ? name : `${name}, controller ${same.findIndex(({ id }) => id === controllerId) + 1}`;
}

/** All that a rule says of a design. */
export function observe(rule: Rule, design: Design): Observation[] {
  const { controllers } = design;
  if (!rule.eachController || controllers.length < 2) return rule.check(design, derive(design));
  return controllers.flatMap(({ id }) => {
    const half = halfOf(design, id);
    return rule.check(half, derive(half)).map((one) => onWhole(one, design, id));
  });
}

function onWhole({ message, subjects, fixes = [], ...more }: Observation, design: Design, id: string): Observation {
  const subject = (one: Subject): Subject => (one.kind === "net" ? { ...one, id: netOfHalf(design, id, one.id) } : one);
  const fix = ({ title, apply }: Fix): Fix => ({ title, apply: onHalf(id, apply) });
  return {
    ...more,
    message: `${halfName(design, id)}: ${message}`,
    subjects: subjects.map(subject),
    fixes: fixes.map(fix),
  };
}
