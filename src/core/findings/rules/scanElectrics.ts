import type { Design } from "../../document/schema";
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

/** A line must have settled before it is read. */
export const settleTime: Rule = {
  id: "wiring/settle-time",
  stage: "wiring",
  severity: "warn",
  why: "A column that is read before it has risen again reports the key of the row before.",
  source:
    "charging of the lines through the weakest pull-up; shown against a circuit simulation in the reference tests",
  check(design) {
    return matricesOf(design).flatMap((matrix) => {
      const check = checkMatrix(design, matrix);
      const needed = check ? Math.ceil(check.settleUs) : 0;
      if (!check || design.timing.settleUs >= needed) return [];
      return [
        {
          message: `The lines of ${matrix.name} take ${check.settleUs.toFixed(1)} µs to rise again, and are read after ${design.timing.settleUs} µs.`,
          subjects: [],
          fixes: [
            {
              title: `Wait ${needed} µs`,
              apply: (d: Design) => ({ ...d, timing: { ...d.timing, settleUs: Math.min(250, needed) } }),
            },
          ],
        },
      ];
    });
  },
};
