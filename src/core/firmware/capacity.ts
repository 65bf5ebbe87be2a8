import { type ArenaCounts, LIMITS, REPORTS, arenaBytes, ramBytes } from "../contract/contract";
import type { Design } from "../document/schema";
import { bankCount, type ScanPlan } from "./scanPlan";
import { tableBytes } from "./tables";

/** What the runtime's memory depends on. */
function countsOf(plan: ScanPlan, design: Design): ArenaCounts {
  const { interfaces } = design.reportSet;
  return {
    banks: bankCount(plan),
    groups: plan.groups.length,
    switches: plan.switches.length,
    inputs: plan.inputs.length,
    encoders: plan.encoders.length,
    tappers: plan.encoders.length + plan.settling.filter(({ flips }) => flips).length,
    layers: design.keymap.layers.length,
    lamps: plan.lamps.length,
    reportBytes: interfaces.reduce((sum, name) => sum + REPORTS[name].bytes, 0),
  };
}

/** Bytes of the arena that a device needs. */
export const arenaNeed = (plan: ScanPlan, design: Design): number => arenaBytes(countsOf(plan, design));

/** Bytes of RAM that the runtime needs for a device on the 8-bit core, stack included. */
export const ramNeed = (plan: ScanPlan, design: Design): number => ramBytes(countsOf(plan, design));

/** What of a design is more than the runtime can number, in words; empty when all fits. */
export function overLimits(plan: ScanPlan, design: Design): string[] {
  const counts: [number, number, string][] = [
    [plan.inputs.length, LIMITS.INPUTS, "inputs"],
    [plan.encoders.length, LIMITS.ENCODERS, "encoders"],
    [plan.lamps.length, LIMITS.LAMPS, "lamps"],
    [plan.strobeLines.length, LIMITS.LINES, "strobe lines"],
    [plan.senseLines.length, LIMITS.LINES, "sense lines"],
    [plan.groups.length, LIMITS.GROUPS, "groups of lines read at once"],
  ];
  const over = counts.filter(([n, most]) => n > most);
  const words = over.map(([n, most, what]) => `${n} ${what}; the firmware numbers ${most}`);
  if (words.length > 0) return words;
  const bytes = tableBytes(plan, design).length;
  return bytes > LIMITS.TABLE_BYTES ? [`${bytes} bytes of tables; the firmware reads ${LIMITS.TABLE_BYTES}`] : [];
}
