import { closePairs } from "../../geometry/closePairs";
import { CROWD_MOST } from "../../layout/keepOuts";
import { tellPairs } from "../crowds";
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
    const pairs = closePairs(
      handPieces.map(({ outline }) => outline),
      LEAST_GAP_MM - 1e-6,
      CROWD_MOST,
    )
      .map(({ a, b, clearanceMm }) => ({ first: handPieces[a].owner, second: handPieces[b].owner, clearanceMm }))
      .filter(({ first, second, clearanceMm }) => clearanceMm > -1e-6 && first !== second);
    return tellPairs(design, pairs, "stand too close together", ({ first, second, clearanceMm }) => {
      const [one, other] = [design.controls[first], design.controls[second]];
      return {
        message: `${one.label} and ${other.label} are ${Math.max(0, clearanceMm).toFixed(2)} mm apart; leave ${LEAST_GAP_MM} mm.`,
        subjects: [controlSubject(one.id), controlSubject(other.id)],
      };
    });
  },
};
