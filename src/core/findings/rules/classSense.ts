import { type Rule, listed } from "../finding";

/** A controller class of one's own whose pads or limits contradict each other. */
export const classSense: Rule = {
  id: "pins/class-sense",
  stage: "pins",
  severity: "warn",
  why: "Plans are only as right as the class they are made for.",
  source: "follows from the class",
  eachController: true,
  check(_design, { profile }) {
    if (!profile) return [];
    const names = profile.pins.filter(({ role }) => role === "io").map(({ name }) => name);
    const twice = [...new Set(names.filter((name, nth) => names.indexOf(name) !== nth))];
    const wrong = [
      ...(twice.length > 0 ? [`two I/O pads are called ${listed(twice)}`] : []),
      ...(profile.inputLowMaxV >= profile.inputHighMinV
        ? [`a level of ${profile.inputLowMaxV} V would be low and high at once`]
        : []),
      ...(profile.pullUpMinOhm > profile.pullUpMaxOhm ? ["its weakest pull-up is stronger than its strongest"] : []),
      ...(profile.pinCurrentMa > profile.allPinsCurrentMa ? ["one pin gives more than all pins together"] : []),
      ...(profile.inputHighMinV > profile.logicV ? ["an input is never surely high at its own voltage"] : []),
    ];
    if (wrong.length === 0) return [];
    return [{ message: `The class ${profile.title} contradicts itself: ${wrong.join("; ")}.`, subjects: [] }];
  },
};
