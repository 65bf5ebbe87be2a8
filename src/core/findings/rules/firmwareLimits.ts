import { overLimits } from "../../firmware/capacity";
import { scanTableOf } from "../../firmware/scanTable";
import type { Rule } from "../finding";

export const firmwareLimits: Rule = {
  id: "try/firmware-limits",
  stage: "try",
  severity: "stop",
  why: "The firmware numbers inputs, lines and lamps with one byte each; more would not be scanned.",
  source: "the device contract (firmware/src/contract.h)",
  check: (design) =>
    overLimits(scanTableOf(design), design).map((what) => ({
      message: `The design has ${what}.`,
      subjects: [],
    })),
};
