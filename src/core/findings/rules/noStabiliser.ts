import { changeControl } from "../../edits/controls";
import { needsStabiliser } from "../../catalogue/kinds/stabiliser";
import { type Rule, controlSubject, counted, listed } from "../finding";

export const noStabiliser: Rule = {
  id: "layout/no-stabiliser",
  stage: "layout",
  severity: "warn",
  why: "A long cap pressed at its end tilts and sticks.",
  source: "common practice: keys of 2 units and wider need one",
  check(design, derived) {
    const bare = design.controls.filter(
      (control) =>
        control.kind === "key" &&
        needsStabiliser(control) &&
        !control.stabiliser &&
        derived.partOf(control).cap === null,
    );
    if (bare.length === 0) return [];
    const names = bare.map(({ label }) => label);
    return [
      {
        message: `${listed(names.slice(0, 6))}${names.length > 6 ? ` and ${names.length - 6} more` : ""} ${names.length === 1 ? "is" : "are"} 2 units or longer without a stabiliser.`,
        subjects: bare.map(({ id }) => controlSubject(id)),
        fixes: [
          {
            title: `Fit ${counted(bare.length, "stabiliser")}`,
            apply: (d) => bare.reduce((next, { id }) => changeControl(next, id, { stabiliser: true }), d),
          },
        ],
      },
    ];
  },
};
