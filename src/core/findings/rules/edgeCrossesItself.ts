import { changeBoard } from "../../edits/boards";
import { boardRings } from "../../layout/boardOutline";
import { crossesItself } from "../../geometry/ringSense";
import { type Rule } from "../finding";

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
