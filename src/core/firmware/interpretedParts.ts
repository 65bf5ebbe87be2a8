import { derive } from "../derived/derive";
import { halfName } from "../derived/halfName";
import { isOnBus } from "../document/partLinks";
import type { Design } from "../document/schema";
import { type InterpreterScan, interpreterScan, scanVerdict } from "./interpreterCost";
import { scanTableOf } from "./scanTable";

/**
 * How much of its scan passes at most until a module looks at the bus again, which it holds until then: counted in the busiest scan by
 * tests/firmware/pythonCost.test.ts.
 */
export const SHARE_BETWEEN_LOOKS = 0.45;

/** A device of parts in Python, whose first part speaks with the computer. */
export interface InterpretedParts {
  parts: { name: string; scan: InterpreterScan }[];
  /** How long a base waits in each scan for its modules, in ms at most; 0 where a line joins two parts. */
  waitsMs: number;
  /** By how much the other parts' presses are told later than those of the first one, in ms at most. */
  laterMs: number;
  /** Of the slowest, with what it waits. */
  verdict: InterpreterScan["verdict"];
}

const HARSHEST: InterpreterScan["verdict"][] = ["too-much", "slow", "good"];

/**
 * Scans of a device's parts, by order of its controllers. What a part tells is looked at in the next scan of the first one. A base tells each module, and
 * asks each of them in a scan that takes longer than there are modules, and waits each time until that one looks.
 * @returns null where there is one part, or a controller is missing
 */
export function interpretedParts(design: Design): InterpretedParts | null {
  const { controllers } = derive(design);
  const parts = controllers.flatMap(({ profile, controller }, part) =>
    profile
      ? [{ name: halfName(design, controller.id), scan: interpreterScan(design, scanTableOf(design), profile, part) }]
      : [],
  );
  if (parts.length < 2 || parts.length < controllers.length) return null;
  const [{ scan: first }, ...others] = parts;
  const waitsMs = isOnBus(design)
    ? others.reduce((sum, { scan }) => sum + 2 * SHARE_BETWEEN_LOOKS * scan.mostMs, 0)
    : 0;
  const laterMs = first.mostMs + waitsMs;
  const verdicts = [scanVerdict(first.leastMs, laterMs), ...others.map(({ scan }) => scan.verdict)];
  return { parts, waitsMs, laterMs, verdict: HARSHEST.find((one) => verdicts.includes(one))! };
}
