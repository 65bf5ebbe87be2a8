import { placeControls } from "../../edits/controls";
import { type Rule, controlSubject, listed } from "../finding";

export const mirroredPart: Rule = {
  id: "layout/mirrored-part",
  stage: "layout",
  severity: "warn",
  why: "A part mounted from the other side has its contacts mirrored: in holes drilled for the front they do not fit, or connect wrongly.",
  source: "the placements of parts of one kind on one board",
  check: (design) =>
    design.boards.flatMap((board) => {
      const on = design.controls.filter(({ placement, kind }) => placement.boardId === board.id && kind !== "fixing");
      const odd = on.filter(({ placement }) => placement.mirrored);
      if (odd.length === 0 || odd.length === on.length) return [];
      return [
        {
          message: `${listed(odd.slice(0, 6).map(({ label }) => label))} on ${board.name} ${odd.length === 1 ? "is" : "are"} mounted from the solder side, the others from the front: left and right contacts change places.`,
          subjects: odd.map(({ id }) => controlSubject(id)),
          fixes: [
            {
              title: "Mount from the front like the others",
              apply: (d) => placeControls(d, new Map(odd.map(({ id }) => [id, { mirrored: undefined }]))),
            },
          ],
        },
      ];
    }),
};
