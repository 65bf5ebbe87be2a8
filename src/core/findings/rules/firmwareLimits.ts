import { overLimits } from "../../firmware/limits";
import { scanPlanOf } from "../../firmware/scanPlan";
import type { Rule } from "../finding";

export const firmwareLimits: Rule = {
  id: "try/firmware-limits",
  stage: "try",
  severity: "stop",
  why: "The runtime's memory is fixed when it is compiled; more does not fit and would not be scanned.",
  source: "firmware/src/ovrin.h",
  check: (design) =>
    overLimits(scanPlanOf(design), design.keymap.layers.length).map((what) => ({
      message: `The design has ${what}.`,
      subjects: [],
    })),
};
