import type { Design } from "../document/schema";
import type { ScannedSwitches } from "./scannedSwitches";

/** Switches that go back by themselves: one that stays where it is put could be left closed. */
export const unlockChoices = ({ switches, settling }: ScannedSwitches): string[] =>
  switches.filter((_, nth) => !settling[nth].flips);

/**
 * The two switches that unlock live changes when they are held together: those chosen, while both are there; else the first
 * and the last. Null where there are no two.
 */
export function unlockSwitches(scan: ScannedSwitches, { reportSet }: Design): [string, string] | null {
  const choices = unlockChoices(scan);
  const [first, second] = reportSet.unlock ?? [];
  if (first && second && first !== second && choices.includes(first) && choices.includes(second))
    return [first, second];
  return choices.length < 2 ? null : [choices[0], choices.at(-1)!];
}
