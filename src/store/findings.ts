import { useEffect } from "react";
import { create } from "zustand";
import { derive } from "@/core/derived/derive";
import type { Design } from "@/core/document/schema";
import type { Subject, ToldFinding } from "@/core/findings/finding";
import { type Look, lookAside } from "@/workers/checking";
import { edit, useBench } from "./bench";
import { loadLanguage } from "./hostLanguages";
import { type Checked, Checking, NOTHING_SEEN } from "./checking";

const useChecked = create<Checked>(() => ({ design: null, ...NOTHING_SEEN, trouble: null }));
const checking = new Checking(lookAside, useChecked.setState);

/** Has the findings of the design in hand kept up to date. */
export const useChecking = (design: Design): void => useEffect(() => checking.ask(design), [design]);

/** What the rules say of a design; of its last state while the newest is being looked over. */
export function useFindings({ id }: Design): Look & { isKnown: boolean; trouble: string | null } {
  const { design, ...checked } = useChecked();
  const isKnown = design?.id === id;
  return { ...(isKnown ? checked : { ...NOTHING_SEEN, trouble: null }), isKnown };
}

/** Applies a fix to the design as it is now; false when it is not offered any more. The rules come with the first use. */
export async function settle(told: ToldFinding, title: string): Promise<boolean> {
  const { fixOf } = await import("@/core/findings/check");
  const asked = useBench.getState().history?.design;
  // Rules look at texts of macros, for which their language must be there.
  if (asked) await loadLanguage(asked.keymap.hostLanguage);
  const design = useBench.getState().history?.design;
  const fix = design && fixOf(design, told, title);
  if (!fix) return false;
  edit(title.toLowerCase(), (current) => fix.apply(current));
  return true;
}

/** The controls that a finding is about, whatever it names. */
export function controlsOf(design: Design, subject: Subject): string[] {
  const { netById, elements, inputs } = derive(design);
  if (subject.kind === "control") return [subject.id];
  if (subject.kind === "element") return [elements.get(subject.id)?.controlId ?? []].flat();
  if (subject.kind === "input") return [inputs.find(({ id }) => id === subject.id)?.controlId ?? []].flat();
  if (subject.kind === "net")
    return [...new Set(netById.get(subject.id)?.joints.map((joint) => joint.controlId) ?? [])];
  return [];
}
