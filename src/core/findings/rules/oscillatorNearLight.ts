import { distanceMm } from "../../geometry/point";
import { moduleToMat } from "../../layout/keepOuts";
import { type Rule, controlSubject } from "../finding";

/** Nearer than this an oscillator and fast edges disturb each other (from memory). */
const LEAST_OSCILLATOR_MM = 10;

export const oscillatorNearLight: Rule = {
  id: "layout/oscillator-near-light",
  stage: "layout",
  severity: "warn",
  why: "A light chain broke where its data line ran past the controller's crystal.",
  source: "from memory: 10 mm between an oscillator and a fast data line",
  eachController: true,
  check(_design, derived) {
    const oscillator = derived.profile?.oscillator;
    if (!derived.controller || !oscillator) return [];
    const at = moduleToMat(derived, oscillator);
    const near = [...derived.elements.values()].flatMap((element) => {
      if (element.kind !== "light") return [];
      const gap = Math.min(...element.contacts.slice(0, 2).map((contact) => distanceMm(contact.at, at)));
      return gap < LEAST_OSCILLATOR_MM ? [{ element, gap }] : [];
    });
    return near.map(({ element, gap }) => ({
      message: `The data line of ${element.label} is ${gap.toFixed(1)} mm from the controller's oscillator; keep ${LEAST_OSCILLATOR_MM} mm.`,
      subjects: [controlSubject(element.controlId)],
    }));
  },
};
