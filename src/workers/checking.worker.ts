import { expose } from "comlink";
import { budgetOf, budgetWords } from "@/core/brief/budget";
import type { Design } from "@/core/document/schema";
import type { ToldFinding } from "@/core/findings/finding";
import { findingsOf, toldFinding } from "@/core/findings/check";

/** What a look over a whole design tells. */
export interface Look {
  findings: ToldFinding[];
  /** What the brief has left, in words. */
  budget: string;
}

/** Looks a design over with every rule, and works its brief out anew. */
const look = (design: Design): Look => ({
  findings: findingsOf(design).map(toldFinding),
  budget: budgetWords(budgetOf(design)),
});

export const checkingTasks = { look };
export type CheckingTasks = typeof checkingTasks;

expose(checkingTasks);
