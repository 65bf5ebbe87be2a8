import { type Rule, controlSubject } from "../finding";
import { fedByPins } from "./ownSupply";

export const lampCurrent: Rule = {
  id: "circuits/lamp-current",
  stage: "circuits",
  severity: "stop",
  why: "A pin that gives more than its limit gets hot, droops, and may fail for good.",
  source: "the controller profile's current for one pin",
  eachController: true,
  check(design, derived) {
    const { profile } = derived;
    if (!profile) return [];
    return fedByPins(design, derived)
      .filter(({ currentMa }) => currentMa > profile.pinCurrentMa)
      .map(({ element, currentMa }) => ({
        message: `${element.label} takes ${currentMa} mA; a pin of the ${profile.title} gives ${profile.pinCurrentMa} mA at most.`,
        subjects: [controlSubject(element.controlId)],
      }));
  },
};
