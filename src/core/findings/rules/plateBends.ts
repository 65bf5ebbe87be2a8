import { changeBoard } from "../../edits/boards";
import { thicknessFor } from "../../making/bending";
import { FELT_MM, inAluminium, isSoft, worstSpan } from "../../making/stiffPlates";
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
