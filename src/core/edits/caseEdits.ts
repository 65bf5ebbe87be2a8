import { type CaseSettings, type CaseWay, usualCase, usualLayers } from "../document/caseSettings";
import type { Design } from "../document/schema";

/** Chooses how the case is made, with the usual measures of that way; null: there is none. */
export function chooseCase(design: Design, way: CaseWay | null): Design {
  if (way === null) {
    const { case: _gone, ...rest } = design;
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
