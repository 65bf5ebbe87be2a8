import type { Design } from "../document/schema";
import { supplyAt } from "./solveSupply";

/** What a design takes at its most, of what its source gives, in a few words. */
export function currentWords(design: Design): string {
  const worst = supplyAt(design, "worst");
  return worst ? `${Math.ceil(worst.sourceMa)} of ${worst.source.afterMa} mA` : "no controller yet";
}
