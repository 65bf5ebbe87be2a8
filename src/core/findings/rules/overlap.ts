import type { OwnedOutline } from "../../derived/derive";
import { closePairs } from "../../geometry/closePairs";
import { CROWD_MOST } from "../../layout/keepOuts";
import { tellPairs } from "../crowds";
import { type Observation, type Rule, controlSubject } from "../finding";

const MM = (value: number) => `${Math.abs(value).toFixed(2)} mm`;

export const overlap: Rule = {
  id: "layout/overlap",
  stage: "layout",
  severity: "stop",
  why: "Two parts cannot be in one place: neither can be mounted, or one blocks the other's travel.",
  source: "geometry of the caps and bodies",
  check(design, { handPieces, bodies }) {
    const seen = new Set<string>();
    const observe = (what: string, shapes: OwnedOutline[]): Observation[] => {
      const pairs = closePairs(
        shapes.map(({ outline }) => outline),
        -1e-6,
        CROWD_MOST,
      ).flatMap(({ a, b, clearanceMm }) => {
        const [first, second] = [shapes[a].owner, shapes[b].owner];
        const key = `${first} ${second}`;
        if (first === second || seen.has(key)) return [];
        seen.add(key);
        return [{ first, second, clearanceMm }];
      });
      return tellPairs(design, pairs, `lie on each other with their ${what}`, ({ first, second, clearanceMm }) => {
        const [one, other] = [design.controls[first], design.controls[second]];
        return {
          message: `${one.label} and ${other.label} overlap: their ${what} are ${MM(clearanceMm)} into each other.`,
          subjects: [controlSubject(one.id), controlSubject(other.id)],
        };
      });
    };
    return [
      ...observe("caps", handPieces),
      ...observe(
        "bodies",
        bodies.map((outline, owner) => ({ owner, outline })),
      ),
    ];
  },
};
