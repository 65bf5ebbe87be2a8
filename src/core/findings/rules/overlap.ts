import type { OwnedOutline } from "../../design/derive";
import { closePairs } from "../../layout/closePairs";
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
    const observe = (what: string, shapes: OwnedOutline[]): Observation[] =>
      closePairs(
        shapes.map(({ outline }) => outline),
        -1e-6,
      ).flatMap(({ a, b, clearanceMm }) => {
        const owners = [shapes[a].owner, shapes[b].owner];
        const key = owners.join(" ");
        if (owners[0] === owners[1] || seen.has(key)) return [];
        seen.add(key);
        const [first, second] = owners.map((owner) => design.controls[owner]);
        return [
          {
            message: `${first.label} and ${second.label} overlap: their ${what} are ${MM(clearanceMm)} into each other.`,
            subjects: [controlSubject(first.id), controlSubject(second.id)],
          },
        ];
      });
    return [
      ...observe("caps", handPieces),
      ...observe(
        "bodies",
        bodies.map((outline, owner) => ({ owner, outline })),
      ),
    ];
  },
};
