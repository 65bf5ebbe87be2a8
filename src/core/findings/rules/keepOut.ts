import { keepOuts, ownedPairs } from "../../layout/keepOuts";
import { tellPairs } from "../crowds";
import { type Rule, controlSubject } from "../finding";

export const keepOut: Rule = {
  id: "layout/keep-out",
  stage: "layout",
  severity: "stop",
  why: "Behind the plate terminals, housings and standoffs need their room too; what meets there cannot be mounted.",
  source: "the parts' keep-outs behind the plate",
  check: (design, derived) =>
    tellPairs(
      design,
      ownedPairs(derived, keepOuts(derived, "behind"), -1e-6),
      "stand in each other behind the plate",
      ({ first, second, clearanceMm: gap }) => {
        const [a, b] = [design.controls[first], design.controls[second]];
        return {
          message: `Behind the plate ${a.label} and ${b.label} are ${(-gap).toFixed(1)} mm into each other.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        };
      },
    ),
};
