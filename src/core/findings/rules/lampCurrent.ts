import { type Rule, controlSubject } from "../finding";

export const lampCurrent: Rule = {
  id: "pins/lamp-current",
  stage: "pins",
  severity: "stop",
  why: "A pin that gives more than its limit gets hot, droops, and may fail for good.",
  source: "the controller profile's current for one pin",
  check(design, { profile, circuitsOf }) {
    if (!profile) return [];
    return design.controls.flatMap((control) => {
      if (control.kind !== "lamp" || !circuitsOf.has(`${control.id}:lamp`)) return [];
      if (control.currentMa <= profile.pinCurrentMa) return [];
      return [
        {
          message: `${control.label} takes ${control.currentMa} mA; a pin of the ${profile.title} gives ${profile.pinCurrentMa} mA at most.`,
          subjects: [controlSubject(control.id)],
        },
      ];
    });
  },
};
