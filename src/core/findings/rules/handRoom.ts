import type { Derived } from "../../derived/derive";
import { clearanceMm } from "../../geometry/clearance";
import { boxOf, boxesMeet } from "../../geometry/outline";
import { keepOuts } from "../../layout/keepOuts";
import { type Rule, controlSubject } from "../finding";

/** Which parts stand in the swing of which, each two once, with how far. */
function swingsMet(derived: Derived): { mover: number; other: number; deepMm: number }[] {
  const swings = keepOuts(derived, "front");
  const swinging = new Set(swings.map(({ owner }) => owner));
  const others = [...derived.capPieces.filter(({ owner }) => !swinging.has(owner)), ...swings];
  const boxes = others.map(({ outline }) => boxOf(outline));
  const met = new Map<string, { mover: number; other: number; deepMm: number }>();
  for (const swing of swings) {
    const box = boxOf(swing.outline);
    boxes.forEach((otherBox, nth) => {
      if (!boxesMeet(box, otherBox)) return;
      const { owner, outline } = others[nth];
      if (swinging.has(owner) && owner <= swing.owner) return;
      const gap = clearanceMm(swing.outline, outline);
      if (gap < -1e-6) met.set(`${swing.owner} ${owner}`, { mover: swing.owner, other: owner, deepMm: -gap });
    });
  }
  return [...met.values()];
}

export const handRoom: Rule = {
  id: "layout/hand-room",
  stage: "layout",
  severity: "warn",
  why: "A lever, stick or slider needs its swing free: a finger or a cap in the way stops it or is hit by it.",
  source: "the parts' keep-outs before the plate",
  check(design, derived) {
    return swingsMet(derived).flatMap(({ mover, other, deepMm }) => {
      const [a, b] = [design.controls[mover], design.controls[other]];
      if (a.placement.boardId !== b.placement.boardId) return [];
      return [
        {
          message: `${b.label} stands ${deepMm.toFixed(1)} mm in the swing of ${a.label}.`,
          subjects: [controlSubject(a.id), controlSubject(b.id)],
        },
      ];
    });
  },
};
