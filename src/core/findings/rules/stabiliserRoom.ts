import { ownedPairs } from "../../layout/keepOuts";
import { stabiliserOf } from "../../catalogue/kinds/stabiliser";
import { placeOutline } from "../../geometry/outline";
import { type Rule, controlSubject } from "../finding";

export const stabiliserRoom: Rule = {
  id: "layout/stabiliser-room",
  stage: "layout",
  severity: "stop",
  why: "A stabiliser's housings stand beside the switch, beneath the cap; another part there keeps it from going in.",
  source: "geometry of the stabilisers' openings (from memory: 6.75 × 14 mm) against bodies of other parts",
  check(design, derived) {
    const shapes = design.controls.flatMap((control, owner) => {
      const stabiliser = control.kind === "key" && control.stabiliser ? stabiliserOf(control) : null;
      return (stabiliser?.openings ?? []).map((outline) => ({
        owner,
        outline: placeOutline(outline, control.placement),
      }));
    });
    if (shapes.length === 0) return [];
    const own = new Set(shapes);
    const bodies = derived.bodies.map((outline, owner) => ({ owner, outline }));
    const all = [...shapes, ...bodies];
    return ownedPairs(derived, all, -1e-6).flatMap(({ first, second, clearanceMm }) => {
      const has = (owner: number) => [...own].some((shape) => shape.owner === owner);
      const [a, b] = has(first) ? [first, second] : [second, first];
      // Bodies that meet bodies are told by the rule on overlaps.
      if (derived.bodies[a] && !has(a)) return [];
      const [key, other] = [design.controls[a], design.controls[b]];
      return [
        {
          message: `${key.label}'s stabiliser has no room: ${other.label} is ${(-clearanceMm).toFixed(1)} mm in its way.`,
          subjects: [controlSubject(key.id), controlSubject(other.id)],
        },
      ];
    });
  },
};
