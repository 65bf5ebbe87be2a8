import { boardRings } from "../../layout/boardOutline";
import { boxOf } from "../../geometry/outline";
import { outlineRing } from "../../geometry/ring";
import { isWithin, wallMm } from "../../geometry/ringSense";
import { type Rule, controlSubject, listed } from "../finding";

/** Least wall between an opening and the plate's edge that cutters and printers keep (common practice). */
const LEAST_WALL_MM = 1;
const NAMED = 4;

export const openingAtEdge: Rule = {
  id: "layout/opening-at-edge",
  stage: "layout",
  severity: "stop",
  why: "An opening across the edge leaves no plate there, and a thin wall breaks while it is made.",
  source: "least wall of cutters and printers (common practice)",
  check(design, { openings }) {
    return design.boards.flatMap((board, nth) => {
      const edge = boardRings(design)[nth];
      if (!edge) return [];
      const box = boxOf({ core: edge, radiusMm: 0 });
      const near = openings.filter(({ owner, outline }) => {
        if (design.controls[owner].placement.boardId !== board.id) return false;
        const own = boxOf(outline);
        // Far from the edge's box there is nothing to measure, unless the edge is drawn or follows closely.
        return (
          board.outline !== null ||
          board.follows === "close" ||
          own.minXMm - box.minXMm < 5 ||
          box.maxXMm - own.maxXMm < 5 ||
          own.minYMm - box.minYMm < 5 ||
          box.maxYMm - own.maxYMm < 5
        );
      });
      const across = near.filter(({ outline }) => !isWithin(outlineRing(outline), edge));
      const thin = near
        .filter((one) => !across.includes(one))
        .map(({ owner, outline }) => ({ owner, mm: wallMm(outlineRing(outline), edge) }))
        .filter(({ mm }) => mm < LEAST_WALL_MM);
      const subjects = (owners: number[]) =>
        [...new Set(owners)].map((owner) => controlSubject(design.controls[owner].id));
      const names = (owners: number[]) => {
        const labels = [...new Set(owners)].map((owner) => design.controls[owner].label);
        return listed([...labels.slice(0, NAMED), ...(labels.length > NAMED ? [`${labels.length - NAMED} more`] : [])]);
      };
      const acrossOwners = across.map(({ owner }) => owner);
      const thinOwners = thin.map(({ owner }) => owner);
      return [
        ...(across.length > 0
          ? [
              {
                message: `The opening of ${names(acrossOwners)} runs across the edge of ${board.name}.`,
                subjects: subjects(acrossOwners),
              },
            ]
          : []),
        ...(thin.length > 0
          ? [
              {
                severity: "warn" as const,
                message: `Between the opening of ${names(thinOwners)} and the edge of ${board.name} are ${Math.min(...thin.map(({ mm }) => mm)).toFixed(1)} mm; leave ${LEAST_WALL_MM} mm.`,
                subjects: subjects(thinOwners),
              },
            ]
          : []),
      ];
    });
  },
};
