import type { Design } from "../../document/schema";
import { boardRings } from "../../layout/boardOutline";
import { boundsOf } from "../../geometry/outline";
import { boardFits } from "../../making/fit";
import { type Rule } from "../finding";

/** The usual case, told without turning anything: every board lies upright on some bed. */
const allUpright = (design: Design) =>
  boardRings(design).every((ring) => {
    if (!ring) return true;
    const box = boundsOf(ring.map((p) => ({ core: [p], radiusMm: 0 })))!;
    return design.making.beds.some(
      (bed) => box.maxXMm - box.minXMm <= bed.widthMm && box.maxYMm - box.minYMm <= bed.heightMm,
    );
  });

export const fitsNowhere: Rule = {
  id: "layout/fits-nowhere",
  stage: "layout",
  severity: "warn",
  why: "A plate larger than every bed and sheet has to be split, ordered, or drawn smaller.",
  source: "smallest rectangle of the outline against the beds listed under Making",
  check: (design) =>
    (allUpright(design) ? [] : boardFits(design)).flatMap(({ boardId, rectangle, beds }) => {
      if (beds.length === 0 || beds.some(({ fit }) => fit.fits)) return [];
      const board = design.boards.find(({ id }) => id === boardId)!;
      const best = beds.reduce((a, b) => (b.fit.fill < a.fit.fill ? b : a));
      return [
        {
          message: `${board.name} (${rectangle.widthMm.toFixed(0)} × ${rectangle.heightMm.toFixed(0)} mm) fits no bed: on the ${best.bed.name.toLowerCase()} it is ${((best.fit.fill - 1) * 100).toFixed(0)} % too large, even turned by ${best.fit.angleDeg.toFixed(0)}°.`,
          subjects: [],
        },
      ];
    }),
};
