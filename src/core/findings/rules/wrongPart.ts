import { kindOf } from "../../catalogue/kinds";
import { type Rule, controlSubject } from "../finding";

/** Parts that are unknown, or that belong to another kind of control. */
export const wrongPart: Rule = {
  id: "layout/wrong-part",
  stage: "layout",
  severity: "warn",
  why: "Openings, room and distances are taken from the part; with a wrong one the plate does not fit.",
  source: "the parts catalogue and the design's own parts",
  check(design, { parts }) {
    return design.controls.flatMap((control) => {
      const part = parts.get(control.partId);
      if (part?.kind === control.kind) return [];
      const usual = kindOf(control).partId;
      return [
        {
          message: part
            ? `${control.label} is ${kindOf(control).article} with the part "${part.title}", which is made for something else.`
            : `${control.label} has a part "${control.partId}" that is not described; ${parts.get(usual)?.title ?? "the usual one"} is drawn instead.`,
          subjects: [controlSubject(control.id)],
          fixes: [
            {
              title: `Take ${parts.get(usual)?.title ?? "the usual part"}`,
              apply: (d) => ({
                ...d,
                controls: d.controls.map((one) => (one.id === control.id ? { ...one, partId: usual } : one)),
              }),
            },
          ],
        },
      ];
    });
  },
};
