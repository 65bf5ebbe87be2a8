import { closePairs } from "../../layout/closePairs";
import { type Observation, type Rule, controlSubject } from "../finding";

const MM = (value: number) => `${Math.abs(value).toFixed(2)} mm`;

export const overlap: Rule = {
  id: "layout/overlap",
  stage: "layout",
  severity: "stop",
  why: "Two parts cannot be in one place: neither can be mounted, or one blocks the other's travel.",
  source: "geometry of the caps and bodies",
  check(design, { caps, bodies }) {
    const seen = new Set<string>();
    const observe = (what: string, pairs: ReturnType<typeof closePairs>): Observation[] =>
      pairs.flatMap(({ a, b, clearanceMm }) => {
        if (seen.has(`${a} ${b}`)) return [];
        seen.add(`${a} ${b}`);
        const [first, second] = [design.controls[a], design.controls[b]];
        return [
          {
            message: `${first.label} and ${second.label} overlap: their ${what} are ${MM(clearanceMm)} into each other.`,
            subjects: [controlSubject(first.id), controlSubject(second.id)],
          },
        ];
      });
    return [...observe("caps", closePairs(caps, -1e-6)), ...observe("bodies", closePairs(bodies, -1e-6))];
  },
};
