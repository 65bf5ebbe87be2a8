import { isInside } from "../../geometry/ring";
import { type Rule, controlSubject, listed } from "../finding";

export const outsideOutline: Rule = {
  id: "layout/outside-outline",
  stage: "layout",
  severity: "stop",
  why: "What stands outside the drawn outline has no plate beneath it.",
  source: "geometry of the drawn outline",
  check: (design, derived) =>
    design.boards.flatMap((board) => {
      const { outline } = board;
      if (!outline) return [];
      const out = design.controls.filter(
        (control, owner) =>
          control.placement.boardId === board.id && derived.bodies[owner].core.some((p) => !isInside(p, outline)),
      );
      if (out.length === 0) return [];
      return [
        {
          message: `${listed(out.slice(0, 6).map(({ label }) => label))}${out.length > 6 ? ` and ${out.length - 6} more` : ""} ${out.length === 1 ? "lies" : "lie"} across the drawn outline of ${board.name}.`,
          subjects: out.map(({ id }) => controlSubject(id)),
          fixes: [
            {
              title: "Let the outline follow the controls",
              apply: (d) => ({ ...d, boards: d.boards.map((b) => (b.id === board.id ? { ...b, outline: null } : b)) }),
            },
          ],
        },
      ];
    }),
};
