import { closePairs } from "../../layout/closePairs";
import { type Rule, controlSubject } from "../finding";

/** Caps that stand nearer than this rub once tolerances and tilt add up. */
const LEAST_GAP_MM = 0.5;

export const tooClose: Rule = {
  id: "layout/too-close",
  stage: "layout",
  severity: "warn",
  why: "Caps tilt a little when pressed off-centre and switches sit up to 0.2 mm askew; with less room they rub.",
  source: "common practice: 0.95 mm between caps on a 19.05 mm pitch, 0.5 mm at the least",
  check(design, { handPieces }) {
    return closePairs(
      handPieces.map(({ outline }) => outline),
      LEAST_GAP_MM - 1e-6,
    )
      .filter(({ a, b, clearanceMm }) => clearanceMm > -1e-6 && handPieces[a].owner !== handPieces[b].owner)
      .map(({ a, b, clearanceMm }) => {
        const [first, second] = [design.controls[handPieces[a].owner], design.controls[handPieces[b].owner]];
        return {
          message: `${first.label} and ${second.label} are ${Math.max(0, clearanceMm).toFixed(2)} mm apart; leave ${LEAST_GAP_MM} mm.`,
          subjects: [controlSubject(first.id), controlSubject(second.id)],
        };
      });
  },
};
