import { changeBoard } from "../../edits/boards";
import { boardRings } from "../../layout/boardOutline";
import { boxesMeet, boxOf, placeOutline, roundedRectangle } from "../../geometry/outline";
import { isInside, outlineRing, ringAreaMm2 } from "../../geometry/ring";
import { commonOf } from "../../geometry/ringSets";
import { crossesItself, isWithin, wallMm } from "../../geometry/ringSense";
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

export const edgeCrossesItself: Rule = {
  id: "layout/edge-crosses-itself",
  stage: "layout",
  severity: "stop",
  why: "An edge that crosses itself is no outline that can be cut or printed.",
  source: "geometry of the drawn outline",
  check: (design) =>
    design.boards.flatMap((board, nth) => {
      const edge = boardRings(design)[nth];
      if (!edge || !board.outline || !crossesItself(edge)) return [];
      return [
        {
          message: `The drawn edge of ${board.name} crosses itself.`,
          subjects: [],
          fixes: [
            {
              title: "Let the edge follow the parts again",
              apply: (d: typeof design) => changeBoard(d, board.id, { outline: null }),
            },
          ],
        },
      ];
    }),
};

/** Overlap below this is a touch. */
const TOUCH_MM2 = 1;

export const boardsOverlap: Rule = {
  id: "layout/boards-overlap",
  stage: "layout",
  severity: "warn",
  why: "Two boards cannot lie at one place; one of them is perhaps meant to lie beneath, which the plan does not know.",
  source: "geometry of the boards' edges",
  check(design) {
    const rings = boardRings(design);
    const boxes = rings.map((ring) => ring && boxOf({ core: ring, radiusMm: 0 }));
    return design.boards.flatMap((one, first) =>
      design.boards.slice(first + 1).flatMap((other, more) => {
        const second = first + 1 + more;
        const [a, b] = [rings[first], rings[second]];
        if (!a || !b || !boxesMeet(boxes[first]!, boxes[second]!)) return [];
        const area = commonOf(a, b).reduce((sum, { edge }) => sum + ringAreaMm2(edge), 0);
        if (area < TOUCH_MM2) return [];
        return [
          {
            message: `${one.name} and ${other.name} lie over each other by ${(area / 100).toFixed(1)} cm².`,
            subjects: [],
          },
        ];
      }),
    );
  },
};

/** A module beneath the plate that reaches out of it. */
export const moduleOutside: Rule = {
  id: "layout/controller-outside",
  stage: "layout",
  severity: "warn",
  why: "A controller that reaches over the board's edge is in the way of the case, and its pads hang free.",
  source: "geometry of the module's and the board's outlines",
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
