import { expose } from "comlink";
import { budgetOf, budgetWords } from "@/core/brief/budget";
import type { Design } from "@/core/document/schema";
import type { ToldFinding } from "@/core/findings/finding";
import { simplerOnes } from "@/core/edits/savings";
import { setDiodes } from "@/core/edits/matrixDiodes";
import { loadedWith } from "@/core/engine/preparedDevice";
import { caseView } from "@/core/cases/caseView";
import { toldAssembly } from "@/core/assembly/toldAssembly";
import { purchaseView } from "@/core/purchase/purchaseView";
import { supplyView } from "@/core/power/supplyView";
import { type FeedingPoints, whereToFeed } from "@/core/power/remedies";
import { analogView } from "@/core/analog/analogView";
import { levelsView } from "@/core/levels/levelsView";
import { timingView } from "@/core/timing/timingView";
import { currentWords } from "@/core/power/currentWords";
import { findingsOf, toldFinding } from "@/core/findings/check";
import { bringAllLanguages } from "@/core/languages/allLanguages";

bringAllLanguages();

/** What a look over a whole design tells. */
export interface Look {
  findings: ToldFinding[];
  /** What the brief has left, in words. */
  budget: string;
  /** What the source gives at the most, in words. */
  currents: string;
}

/** Looks a design over with every rule, and works its brief out anew. */
const look = (design: Design): Look => ({
  findings: findingsOf(design).map(toldFinding),
  budget: budgetWords(budgetOf(design)),
  currents: currentWords(design),
});

/** The fewest places at which a chain is fed once more, for every light to keep its voltage. */
function feeding(design: Design, circuitId: string): FeedingPoints | null {
  const chain = design.circuits.find(({ id }) => id === circuitId);
  return chain?.kind === "light-chain" ? whereToFeed(design, chain) : null;
}

export const checkingTasks = {
  look,
  supply: supplyView,
  feeding,
  timing: timingView,
  analog: analogView,
  levels: levelsView,
  assembly: toldAssembly,
  simplerOnes,
  cases: caseView,
  purchase: purchaseView,
  loadedWith: (design: Design) => loadedWith(design, setDiodes(design, "none")),
};
export type CheckingTasks = typeof checkingTasks;

expose(checkingTasks);
