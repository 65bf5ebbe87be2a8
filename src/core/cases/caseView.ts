import type { Design } from "../document/schema";
import { type CasePlan, casePlan } from "./casePlan";
import { type CaseSolids, caseSolids } from "./caseSolids";
import { type CaseTrouble, caseTroubles } from "./caseTroubles";
import { type CaseLayers, caseLayers } from "./layers";

/** What is shown of one board's case. */
export interface CaseView {
  boardId: string;
  boardName: string;
  plan: CasePlan;
  troubles: CaseTrouble[];
  /** Of a printed one. */
  solids: CaseSolids | null;
  /** Of a cut one. */
  layers: CaseLayers | null;
}

/** The cases of all boards that get one; none where the design has none. */
export async function caseView(design: Design): Promise<CaseView[]> {
  const views: CaseView[] = [];
  if (!design.case) return views;
  for (const board of design.boards) {
    const plan = casePlan(design, board);
    if (!plan) continue;
    const isPrinted = plan.settings.way === "printed";
    views.push({
      boardId: board.id,
      boardName: board.name,
      plan,
      troubles: caseTroubles(design, plan),
      solids: isPrinted ? await caseSolids(design, plan) : null,
      layers: isPrinted ? null : await caseLayers(design, plan),
    });
  }
  return views;
}
