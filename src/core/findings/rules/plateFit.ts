import { changeBoard } from "../../edits/boards";
import type { Design } from "../../document/schema";
import { boardRings } from "../../layout/boardOutline";
import { boundsOf } from "../../geometry/outline";
import { thicknessFor } from "../../making/bending";
import { FELT_MM, inAluminium, isSoft, worstSpan } from "../../making/stiffPlates";
import { boardFits } from "../../making/fit";
import { type Rule, controlSubject } from "../finding";

export const plateBends: Rule = {
  id: "layout/plate-bends",
  stage: "layout",
  severity: "warn",
  why: "A plate that gives under a press feels soft, and its solder joints crack with time.",
  source: "plate formula of Timoshenko and Woinowsky-Krieger; 0.5 mm as what is felt: from memory",
  check: (design) =>
    design.boards.flatMap((board, nth) => {
      const worst = worstSpan(design, nth);
      if (!worst || worst.deflectionMm <= FELT_MM) return [];
      const key = design.controls.find(({ id }) => id === worst.controlId)!;
      const thicker = thicknessFor(board.plate.thicknessMm, worst.deflectionMm, FELT_MM);
      return [
        {
          message: `Under a press on ${key.label} the ${board.plate.material} plate of ${board.name} (${board.plate.thicknessMm} mm, ${worst.spanMm.toFixed(0)} mm free) bends about ${worst.deflectionMm.toFixed(1)} mm: put a standoff near, or take ${thicker} mm.`,
          subjects: [controlSubject(key.id)],
          fixes: isSoft(board.plate.material)
            ? [
                {
                  title: "Take an aluminium plate",
                  apply: (d) => changeBoard(d, board.id, inAluminium(board)),
                },
              ]
            : [],
        },
      ];
    }),
};

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
