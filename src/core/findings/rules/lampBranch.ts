import { changeControl } from "../../edits/controls";
import { lampBranches } from "../../power/lampBranches";
import { type Rule, controlSubject } from "../finding";

/** What is left for the resistor must be so much, or lamps of one sort differ visibly (common practice). */
const LEAST_LEFT_V = 0.3;
/** A usual small resistor (0207 and 1206 sizes; common practice). */
const MOST_MW = 250;

/** A lamp whose forward voltage leaves nothing for its resistor, or whose resistor gets too hot. */
export const lampBranch: Rule = {
  id: "circuits/lamp-branch",
  stage: "circuits",
  severity: "warn",
  why: "Without voltage left for its resistor a lamp stays dark or glows as it likes; too much makes the resistor hot.",
  source: "Ohm's law with forward voltages of the colours (from memory); a quarter of a watt for a usual resistor",
  check: (design) =>
    [...lampBranches(design).values()].flatMap(({ controlId, label, volts, forwardV, ohm, mw }) => {
      const subjects = [controlSubject(controlId)];
      if (volts - forwardV < LEAST_LEFT_V)
        return [
          {
            message: `${label} needs ${forwardV} V of the ${volts} V it hangs on: too little is left for a resistor. Take a red, amber, yellow or green one.`,
            subjects,
            fixes: [
              {
                title: "Take a red one",
                apply: (d: typeof design) => changeControl(d, controlId, { colour: "red" }),
              },
            ],
          },
        ];
      if (mw <= MOST_MW) return [];
      return [
        {
          message: `The ${ohm} Ω of ${label} turn ${mw.toFixed(0)} mW into heat; a usual resistor stands ${MOST_MW} mW.`,
          subjects,
        },
      ];
    }),
};
