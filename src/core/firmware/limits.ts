import type { ScanPlan } from "./scanPlan";

/** What the runtime's fixed memory holds (firmware/src/ovrin.h). */
const LIMITS = { switches: 128, encoders: 16, lamps: 32, layers: 16, banks: 8, groups: 64 } as const;

/** What of a design is more than the runtime holds, in words; empty when all fits. */
export function overLimits(plan: ScanPlan, layers: number): string[] {
  const banks = Math.ceil(plan.senseLines.length / 16);
  const counts: [number, number, string][] = [
    [plan.switches.length, LIMITS.switches, "switches"],
    [plan.encoders.length, LIMITS.encoders, "encoders"],
    [plan.lamps.length, LIMITS.lamps, "lamps"],
    [layers, LIMITS.layers, "layers"],
    [banks, LIMITS.banks, "banks of 16 sense lines"],
    [plan.groups.length, LIMITS.groups, "groups of lines read at once"],
  ];
  return counts.filter(([n, most]) => n > most).map(([n, most, what]) => `${n} ${what}; the runtime holds ${most}`);
}
