import { derive } from "../derived/derive";
import { countedAfterMs } from "../document/debounce";
import type { Design } from "../document/schema";
import { interpreterScan } from "../firmware/interpreterCost";
import { scanTableOf } from "../firmware/scanTable";
import { SCAN_US, millisecondOf } from "./millisecond";

/** One part of the way from a press to its report, in ms. */
export interface Delay {
  what: string;
  best: number;
  mean: number;
  worst: number;
}

/** A full-speed endpoint is asked once a millisecond, as the descriptors here say (USB 2.0, 5.7.4). */
const POLL_MS = 1;

function summed(parts: Delay[], what: string): Delay {
  const sum = (pick: (part: Delay) => number) => parts.reduce((all, part) => all + pick(part), 0);
  return { what, best: sum((p) => p.best), mean: sum((p) => p.mean), worst: sum((p) => p.worst) };
}

function delays(debounceMs: number, leastScanMs: number, mostScanMs: number, gapMs = mostScanMs): Delay[] {
  const parts = [
    // A change that is waited for counts at the first scan after its time.
    { what: "debounce", best: debounceMs, mean: debounceMs, worst: debounceMs },
    { what: "scan phase", best: 0, mean: (leastScanMs + mostScanMs) / 4, worst: gapMs },
    { what: "scan and report", best: leastScanMs, mean: (leastScanMs + mostScanMs) / 2, worst: mostScanMs },
    { what: "endpoint polling", best: 0, mean: POLL_MS / 2, worst: POLL_MS },
  ];
  return [...parts, summed(parts, "press to report")];
}

export interface Latency {
  compiled: Delay[];
  /** Null where the class runs no interpreter; otherwise with what an interpreter takes as measured, or from memory. */
  interpreted: { delays: Delay[]; measured: boolean } | null;
}

/** From the closing of a contact to its report at the computer, in a compiled firmware and in an interpreted one. */
export function latencyOf(design: Design): Latency {
  const derived = derive(design);
  const { profile } = derived;
  const { scanUs, worstUs, gapUs } = millisecondOf(design);
  const debounceMs = countedAfterMs(design.timing.debounce);
  // A scan begins once a millisecond, and its work lies within; a later one begins when the one before is done.
  const compiled = [...delays(debounceMs, scanUs / 1000, Math.max(SCAN_US, worstUs) / 1000, gapUs / 1000)];
  if (profile?.firmware.interpreted !== "runs-usb") return { compiled, interpreted: null };
  const { leastMs, mostMs } = interpreterScan(design, scanTableOf(design), profile);
  const measured = design.timing.interpreter !== undefined;
  return { compiled, interpreted: { delays: delays(debounceMs, leastMs, mostMs), measured } };
}
