import { checkMatrix } from "../../matrix/matrixElectrics";
import type { Rule } from "../finding";
import { matricesOf } from "./duplicateCell";

const volts = (v: number) => `${v.toFixed(2)} V`;

/** The level of a closed switch must surely read low. */
export const lowLevel: Rule = {
  id: "wiring/low-level",
  stage: "wiring",
  severity: "stop",
  why: "Between the surely-low and the surely-high voltage an input reads as it likes.",
  source: "Ohm's law and the diode's equation; thresholds as the controller class states them",
  eachController: true,
  check(design) {
    return matricesOf(design).flatMap((matrix) => {
      const check = checkMatrix(design, matrix);
      if (!check || check.lowMarginV >= 0) return [];
      return [
        {
          message: `A closed switch of ${matrix.name} reads ${volts(check.lowV)}, ${volts(-check.lowMarginV)} above what surely reads low.`,
          subjects: [],
        },
      ];
    });
  },
};
