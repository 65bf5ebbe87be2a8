import { type CaseSettings, type CaseWay, usualCase, usualLayers } from "../document/caseSettings";
import type { Design } from "../document/schema";
import { casePlan } from "../cases/casePlan";
import { towerPlaces } from "../cases/towerPlaces";
import { addControl } from "./controls";

/** Chooses how the case is made, with the usual measures of that way; null: there is none. */
export function chooseCase(design: Design, way: CaseWay | null): Design {
  if (way === null) {
    const { case: _, ...rest } = design;
    return rest;
  }
  if (design.case?.way === way) return design;
  const usual = way === "printed" ? usualCase : usualLayers;
  const kept = design.case ? { rimMm: design.case.rimMm, clearMm: design.case.clearMm } : {};
  return { ...design, case: { ...usual, ...kept } };
}

/** Changes a case that there is. */
export const changeCase = (design: Design, change: Partial<CaseSettings>): Design =>
  design.case ? { ...design, case: { ...design.case, ...change } } : design;

/** An id that no control has. */
function freeId({ controls }: Design): string {
  const taken = new Set(controls.map(({ id }) => id));
  let nth = 1;
  while (taken.has(`tower-${nth}`)) nth += 1;
  return `tower-${nth}`;
}

/** Puts standoffs near the corners of a board, where nothing is in their way; as many as there is room for, four at the most. */
export function addTowers(design: Design, boardId: string): Design {
  const board = design.boards.find(({ id }) => id === boardId);
  const plan = board && casePlan(design, board);
  if (!plan) return design;
  return towerPlaces(plan).reduce(
    (next, at) => addControl(next, "fixing", freeId(next), { ...at, rotationDeg: 0, boardId }),
    design,
  );
}
