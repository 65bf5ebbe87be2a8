import { derive } from "../derived/derive";
import { halfName } from "../derived/halfName";
import { isOnBus } from "../document/partLinks";
import type { Design } from "../document/schema";
import { type InterpreterScan, interpreterScan } from "./interpreterCost";
import { scanTableOf } from "./scanTable";

/**
 * How much of its scan passes at most until a module looks at the bus again, which it holds until then: counted in the busiest scan by
 * tests/firmware/pythonCost.test.ts.
 */
export const SHARE_BETWEEN_LOOKS = 0.45;

/** A part of a device in Python. */
export interface InterpretedPart {
  name: string;
  scan: InterpreterScan;
  /** How long a base waits in each scan for its modules, in ms at most; 0 of all others. */
  waitsMs: number;
  /** By how much its presses are told later than those of the part that speaks with the computer, in ms at most; null of the first one. */
  laterMs: number | null;
}

/**
 * Scans of the parts of a device whose first one speaks with the computer, by order of their controllers. What a part tells is looked at in the next
 * scan of that one. A base tells each module and asks each of them in a scan that takes longer than there are modules, and waits each time until that
 * one looks.
 * @returns empty where a controller is missing
 */
export function interpretedParts(design: Design): InterpretedPart[] {
  const { controllers } = derive(design);
  const scans = controllers.flatMap(({ profile }, part) =>
    profile ? [interpreterScan(design, scanTableOf(design), profile, part)] : [],
  );
  if (scans.length < controllers.length) return [];
  const [, ...others] = scans.map(({ mostMs }) => mostMs);
  const waitsMs = isOnBus(design) ? others.reduce((sum, ms) => sum + 2 * SHARE_BETWEEN_LOOKS * ms, 0) : 0;
  const laterMs = scans[0].mostMs + waitsMs;
  return scans.map((scan, part) => ({
    name: halfName(design, controllers[part].controller.id),
    scan,
    waitsMs: part === 0 ? waitsMs : 0,
    laterMs: part === 0 ? null : laterMs,
  }));
}
