import { tellPairs } from "../crowds";
import { type Rule, controlSubject } from "../finding";
import { wallsWithin } from "./plateWalls";

export const openingsMeet: Rule = {
  id: "layout/openings-meet",
  stage: "layout",
  severity: "stop",
  why: "Two openings that run into each other leave a part without a rim to clip to or stand on.",
  source: "geometry of the openings, stabilisers and post holes",
  check: (design, derived) =>
    tellPairs(
      design,
      wallsWithin(derived).filter(({ clearanceMm }) => clearanceMm < -1e-6),
      "have openings that run into each other",
      ({ first, second, clearanceMm }) => {
        const [a, b] = [design.controls[first], design.controls[second]];
        return {
          message: `The openings of ${a.label} and ${b.label} run ${(-clearanceMm).toFixed(1)} mm into each other.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        };
      },
    ),
};
