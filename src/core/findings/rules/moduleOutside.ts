import { boardRings } from "../../layout/boardOutline";
import { placeOutline, roundedRectangle } from "../../geometry/outline";
import { isInside, outlineRing } from "../../geometry/ring";
import { type Rule } from "../finding";

/** A module beneath the plate that reaches out of it. */
export const moduleOutside: Rule = {
  id: "layout/controller-outside",
  stage: "layout",
  severity: "warn",
  why: "A controller that reaches over the board's edge is in the way of the case, and its pads hang free.",
  source: "geometry of the module's and the board's outlines",
  eachController: true,
  check(design, { controller, profile }) {
    if (!controller || !profile) return [];
    const nth = design.boards.findIndex(({ id }) => id === controller.placement.boardId);
    const edge = boardRings(design)[nth];
    if (!edge) return [];
    const corners = outlineRing(
      placeOutline(roundedRectangle(profile.widthMm, profile.heightMm, 0), controller.placement),
    );
    const out = corners.filter((p) => !isInside(p, edge)).length;
    if (out === 0) return [];
    return [
      {
        message: `The controller reaches ${out === corners.length ? "wholly " : ""}over the edge of ${design.boards[nth].name}.`,
        subjects: [],
      },
    ];
  },
};
