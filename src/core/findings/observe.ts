import { derive } from "../derived/derive";
import { halfName } from "../derived/halfName";
import { halfOf, netOfHalf, onHalf } from "../derived/halves";
import type { Design } from "../document/schema";
import type { Fix, Observation, Rule, Subject } from "./finding";

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
