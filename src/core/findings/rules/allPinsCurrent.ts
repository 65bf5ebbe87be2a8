import { type Rule, controlSubject } from "../finding";
import { fedByPins } from "./ownSupply";

/** Lamps between line pairs shine one at a time; all others can be on together. */
export const allPinsCurrent: Rule = {
  id: "circuits/all-pins-current",
  stage: "circuits",
  severity: "stop",
  why: "All pins draw their current through the chip's own supply leads, and those have a limit of their own.",
  source: "the controller profile's current for all pins together",
  eachController: true,
  check(design, derived) {
    const { profile } = derived;
    if (!profile) return [];
    const fed = fedByPins(design, derived).filter(({ kind }) => kind !== "charlieplex");
    const sum = fed.reduce((total, { currentMa }) => total + currentMa, 0);
    if (sum <= profile.allPinsCurrentMa) return [];
    return [
      {
        message: `${fed.length} lamps and outputs on pins take ${sum} mA together; all pins of the ${profile.title} give ${profile.allPinsCurrentMa} mA. Put lamps on registers, or take less current.`,
        subjects: fed.map(({ element }) => controlSubject(element.controlId)),
      },
    ];
  },
};
