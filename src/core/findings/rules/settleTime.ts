import type { Design } from "../../document/schema";
import { checkMatrix } from "../../matrix/matrixElectrics";
import type { Rule } from "../finding";
import { matricesOf } from "./duplicateCell";

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
